<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * A run no longer has a hot press, a cold press and one lot: it has machines in roles (run_stations, also those it has not
 * come to yet), lots (run_materials), pieces, checks of any kind and what came out (run_outputs). Old runs are carried over.
 */
return new class extends Migration
{
    public function up(): void
    {
        $this->stations();
        $this->materials();
        $this->pieces();
        $this->outputs();
        $this->inspections();
        $this->machineFacts();
        // Of a product: counts its changes, so that nobody changes what they have not seen.
        Schema::table('products', static fn (Blueprint $t) => $t->integer('revision')->default(1));
        // Which processes there are is the core's to know.
        DB::statement('alter table products drop constraint if exists products_process_known');
        DB::statement('drop index if exists runs_open');
        DB::statement('drop index if exists runs_lot');
        DB::statement("create index runs_open on runs (started_at) where status = 'running'");
        Schema::table('runs', static fn (Blueprint $t) => $t->dropColumn([
            'machine_id', 'cold_machine_id', 'lot_id', 'charge_id', 'charged_g',
        ]));
    }

    private function stations(): void
    {
        DB::statement('alter table run_stations alter column from_at drop not null');
        DB::statement('alter table run_stations add column position smallint not null default 0');
        DB::statement('alter table run_stations add constraint run_stations_taken_first check (from_at is not null or to_at is null)');
        // An empty span would lie over everything.
        DB::statement('alter table run_stations drop constraint run_stations_one_at_a_time');
        DB::statement("insert into run_stations (run_id, role, machine_id, from_at, to_at, position)
            select r.id, 'hot', r.machine_id, null, null, 0 from runs r where not exists (select from run_stations s where s.run_id = r.id and s.role = 'hot')");
        DB::statement("insert into run_stations (run_id, role, machine_id, from_at, to_at, position)
            select r.id, 'cold', r.cold_machine_id, null, null, 1 from runs r
            where r.cold_machine_id is not null and not exists (select from run_stations s where s.run_id = r.id and s.role = 'cold')");
        DB::statement("update run_stations set position = 1 where role = 'cold'");
        DB::statement("alter table run_stations add constraint run_stations_one_at_a_time
            exclude using gist (int8range(machine_id, machine_id, '[]') with &&, tstzrange(from_at, to_at) with &&)
            where (not contested and from_at is not null)");
        DB::statement('create index run_stations_held on run_stations (machine_id) where from_at is not null and to_at is null');
    }

    private function materials(): void
    {
        Schema::create('run_materials', static function (Blueprint $t): void {
            $t->id();
            $t->foreignUuid('run_id')->constrained();
            $t->foreignId('lot_id')->constrained();
            $t->decimal('mass_g', 12, 3)->nullable();
            $t->unique(['run_id', 'lot_id']);
            $t->index('lot_id');
        });
        DB::statement('alter table run_materials add constraint run_materials_hold check (mass_g >= 0)');
        DB::statement('insert into run_materials (run_id, lot_id, mass_g)
            select c.run_id, w.lot_id, greatest(0, sum(w.mass_g)) from weighings w join charges c on c.id = w.charge_id
            where c.run_id is not null group by c.run_id, w.lot_id');
        DB::statement('insert into run_materials (run_id, lot_id, mass_g)
            select r.id, r.lot_id, r.charged_g from runs r where not exists (select from run_materials m where m.run_id = r.id)');
        Schema::table('runs', static fn (Blueprint $t) => $t->string('polymer', 20)->nullable());
        // The hottest that the material was worked at: what a source teaches.
        Schema::table('runs', static fn (Blueprint $t) => $t->double('set_c')->nullable());
        DB::statement("update runs set set_c = (plan->>'platen_c')::float");
        DB::statement('update runs set polymer = l.polymer from lots l where l.id = runs.lot_id');
        DB::statement('alter table runs alter column polymer set not null');
    }

    private function pieces(): void
    {
        // A projection of the events, for lists and counts; the log is the truth.
        Schema::create('pieces', static function (Blueprint $t): void {
            $t->id();
            $t->foreignUuid('run_id')->constrained();
            $t->integer('number');
            $t->string('outcome', 20);
            $t->string('verdict', 20)->nullable();
            $t->text('reason')->nullable();
            $t->timestampTz('began_at', 3);
            $t->timestampTz('ended_at', 3)->nullable();
            $t->unique(['run_id', 'number']);
        });
        DB::statement("alter table pieces add constraint pieces_hold check (number >= 1 and outcome in ('open', 'done', 'dropped')
            and (verdict is null or verdict in ('good', 'scrap')) and (ended_at is null or ended_at >= began_at))");
    }

    private function outputs(): void
    {
        Schema::create('run_outputs', static function (Blueprint $t): void {
            $t->id();
            $t->foreignUuid('run_id')->constrained();
            $t->string('kind', 20);
            $t->foreignId('product_id')->nullable()->constrained();
            $t->foreignId('lot_id')->nullable()->constrained();
            $t->integer('count')->nullable();
            $t->decimal('mass_g', 12, 3)->nullable();
            $t->string('event_key', 60);
            $t->timestampTz('at', 3);
            $t->unique(['run_id', 'event_key', 'kind']);
            $t->index(['product_id', 'at']);
            $t->index('lot_id');
        });
        DB::statement("alter table run_outputs add constraint run_outputs_hold check (
            (kind = 'goods' and product_id is not null and count is not null) or (kind = 'lot' and lot_id is not null and mass_g > 0))");
    }

    private function inspections(): void
    {
        DB::statement('alter table inspections drop constraint if exists inspections_hold');
        Schema::table('inspections', static function (Blueprint $t): void {
            $t->string('kind', 30)->default('sheet_grid');
            $t->integer('piece')->nullable();
            $t->jsonb('figures')->default('{}');
        });
        DB::statement("update inspections set figures = jsonb_strip_nulls(jsonb_build_object(
            'mean_mm', mean_mm, 'range_mm', range_mm, 'bow_mm', bow_mm, 'porosity_pct', porosity_pct))");
        DB::statement('alter table inspections alter column mass_g drop not null');
        DB::statement('alter table inspections alter column kind drop default');
        Schema::table('inspections', static fn (Blueprint $t) => $t->dropColumn(
            ['mean_mm', 'range_mm', 'bow_mm', 'porosity_pct'],
        ));
        DB::statement('alter table inspections add constraint inspections_hold check (mass_g > 0 and (piece is null or piece >= 1))');
        DB::statement('create index inspections_run on inspections (run_id, id)');
    }

    /** What is known of a machine, since when and how: from its plate, measured, fitted from runs, or not known. */
    private function machineFacts(): void
    {
        Schema::create('machine_facts', static function (Blueprint $t): void {
            $t->id();
            $t->foreignId('machine_id')->constrained();
            $t->string('name', 40);
            $t->jsonb('value')->nullable();
            $t->string('origin', 20);
            $t->text('note')->default('');
            $t->foreignId('by_id')->nullable()->constrained('users');
            $t->timestampTz('at', 3);
            $t->index(['machine_id', 'name', 'id']);
        });
        DB::statement("alter table machine_facts add constraint machine_facts_hold check (origin in ('plate', 'measured', 'fitted', 'unknown'))");
        DB::statement("insert into machine_facts (machine_id, name, value, origin, at)
            select m.id, f.key, f.value, 'plate', coalesce(m.created_at, now()) from machines m, jsonb_each(m.facts) f where jsonb_typeof(m.facts) = 'object'");
        foreach (['update or delete', 'truncate'] as $i => $change) {
            DB::unprepared(sprintf(
                'create trigger machine_facts_%s before %s on machine_facts for each %s execute function refuse_change()',
                ['append_only', 'no_truncate'][$i],
                $change,
                ['row', 'statement'][$i],
            ));
        }
        Schema::table('machines', static fn (Blueprint $t) => $t->timestampTz('retired_at')->nullable());
    }

    public function down(): void
    {
        Schema::table('products', static fn (Blueprint $t) => $t->dropColumn('revision'));
        Schema::table('machines', static fn (Blueprint $t) => $t->dropColumn('retired_at'));
        foreach (['machine_facts', 'run_outputs', 'pieces'] as $table) {
            Schema::dropIfExists($table);
        }
        Schema::table('runs', static function (Blueprint $t): void {
            $t->foreignId('machine_id')->nullable()->constrained();
            $t->foreignId('cold_machine_id')->nullable()->constrained('machines');
            $t->foreignId('lot_id')->nullable()->constrained();
            $t->foreignUuid('charge_id')->nullable()->constrained();
            $t->decimal('charged_g', 12, 3)->nullable();
        });
        DB::statement("update runs set machine_id = (select machine_id from run_stations s where s.run_id = runs.id and s.position = 0 limit 1),
            cold_machine_id = (select machine_id from run_stations s where s.run_id = runs.id and s.role = 'cold'),
            lot_id = (select lot_id from run_materials m where m.run_id = runs.id order by id limit 1),
            charge_id = (select id from charges c where c.run_id = runs.id limit 1),
            charged_g = (select sum(mass_g) from run_materials m where m.run_id = runs.id)");
        Schema::dropIfExists('run_materials');
        Schema::table('runs', static fn (Blueprint $t) => $t->dropColumn(['polymer', 'set_c']));
        Schema::table('inspections', static function (Blueprint $t): void {
            $t->double('mean_mm')->nullable();
            $t->double('range_mm')->nullable();
            $t->double('bow_mm')->nullable();
            $t->double('porosity_pct')->nullable();
        });
        DB::statement("update inspections set mean_mm = (figures->>'mean_mm')::float, range_mm = (figures->>'range_mm')::float,
            bow_mm = (figures->>'bow_mm')::float, porosity_pct = (figures->>'porosity_pct')::float");
        Schema::table('inspections', static fn (Blueprint $t) => $t->dropColumn(['kind', 'piece', 'figures']));
        DB::statement('delete from run_stations where from_at is null');
        DB::statement('alter table run_stations drop constraint run_stations_taken_first, drop column position');
        DB::statement('alter table run_stations alter column from_at set not null');
    }
};
