<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * Which run holds which machine, in which role and from when to when. The database itself lets no two runs hold one machine
 * at the same time; what two screens without a network both claimed is kept and marked.
 */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('run_stations', static function (Blueprint $t): void {
            $t->id();
            $t->foreignUuid('run_id')->constrained()->cascadeOnDelete();
            $t->string('role', 20);
            $t->foreignId('machine_id')->constrained();
            $t->timestampTz('from_at', 3);
            $t->timestampTz('to_at', 3)->nullable();
            $t->boolean('contested')->default(false);
            $t->unique(['run_id', 'role']);
            $t->index(['machine_id', 'from_at']);
        });
        DB::statement('alter table run_stations add check (to_at is null or to_at >= from_at)');
        $this->bringIn();
        DB::statement("alter table run_stations add constraint run_stations_one_at_a_time
            exclude using gist (int8range(machine_id, machine_id, '[]') with &&, tstzrange(from_at, to_at) with &&) where (not contested)");
    }

    /** What the runs so far held: the hot press until the sheet moved on, the cold one until it was opened. */
    private function bringIn(): void
    {
        DB::statement("create temporary table held on commit drop as
            select r.id, r.machine_id, r.cold_machine_id, r.started_at, coalesce(r.ended_at, case when r.status <> 'running' then r.updated_at end) as ended,
                min(e.at) filter (where e.data->>'step' = 'transfer') as moved, min(e.at) filter (where e.data->>'step' = 'open') as opened
            from runs r left join run_events e on e.run_id = r.id and e.type = 'step_done' group by r.id");
        DB::statement("insert into run_stations (run_id, role, machine_id, from_at, to_at)
            select id, 'hot', machine_id, started_at, greatest(started_at, coalesce(moved, ended)) from held
            union all select id, 'cold', cold_machine_id, moved, greatest(moved, coalesce(opened, ended)) from held where moved is not null and cold_machine_id is not null");
        // Of two that lie over each other the later one is marked: it was let in with a reason.
        DB::statement('update run_stations s set contested = true from run_stations o where o.machine_id = s.machine_id and o.id <> s.id
            and (o.from_at, o.id) < (s.from_at, s.id) and tstzrange(o.from_at, o.to_at) && tstzrange(s.from_at, s.to_at)');
    }

    public function down(): void
    {
        Schema::dropIfExists('run_stations');
    }
};
