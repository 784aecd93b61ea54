<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('users', static function (Blueprint $t): void {
            $t->id();
            $t->string('name');
            $t->string('login')->unique();
            $t->string('role', 20);
            $t->string('password');
            $t->string('pin')->nullable();
            $t->jsonb('preferences')->default('{}');
            $t->boolean('active')->default(true);
            $t->rememberToken();
            $t->timestampsTz();
        });
        Schema::create('devices', static function (Blueprint $t): void {
            $t->id();
            $t->string('token_hash', 64)->unique();
            $t->timestampTz('seen_at');
            $t->timestampsTz();
        });
        Schema::create('device_user', static function (Blueprint $t): void {
            $t->foreignId('device_id')->constrained()->cascadeOnDelete();
            $t->foreignId('user_id')->constrained()->cascadeOnDelete();
            $t->primary(['device_id', 'user_id']);
        });
        Schema::create('sessions', static function (Blueprint $t): void {
            $t->string('id')->primary();
            $t->foreignId('user_id')->nullable()->index();
            $t->string('ip_address', 45)->nullable();
            $t->text('user_agent')->nullable();
            $t->longText('payload');
            $t->integer('last_activity')->index();
        });
        Schema::create('cache', static function (Blueprint $t): void {
            $t->string('key')->primary();
            $t->mediumText('value');
            $t->integer('expiration')->index();
        });
        Schema::create('cache_locks', static function (Blueprint $t): void {
            $t->string('key')->primary();
            $t->string('owner');
            $t->integer('expiration')->index();
        });

        Schema::create('polymer_overrides', static function (Blueprint $t): void {
            $t->id();
            $t->string('polymer', 20);
            $t->string('path', 80);
            $t->double('value');
            $t->text('reason');
            $t->foreignId('by_id')->constrained('users');
            $t->timestampTz('created_at')->useCurrent();
            $t->index(['polymer', 'path', 'id']);
        });
        Schema::create('sources', static function (Blueprint $t): void {
            $t->id();
            $t->string('name')->unique();
            $t->string('state', 30);
            $t->text('note')->default('');
            $t->timestampsTz();
        });
        Schema::create('lots', static function (Blueprint $t): void {
            $t->id();
            $t->string('code', 30)->unique();
            $t->foreignId('source_id')->constrained();
            $t->string('polymer', 20);
            $t->string('form', 20);
            $t->string('colour', 60);
            $t->string('swatch', 7);
            $t->string('location', 60)->default('');
            $t->string('dry_state', 20)->default('unknown');
            $t->timestampsTz();
            $t->index(['polymer', 'id']);
        });
        Schema::create('lot_movements', static function (Blueprint $t): void {
            $t->id();
            $t->foreignId('lot_id')->constrained();
            $t->decimal('mass_g', 14, 3);
            $t->string('kind', 20);
            $t->text('reason')->default('');
            $t->foreignUuid('run_id')->nullable();
            $t->string('event_key', 60)->nullable();
            $t->foreignId('by_id')->nullable()->constrained('users');
            $t->timestampTz('at', 3);
            $t->index(['lot_id', 'id']);
            $t->unique(['run_id', 'event_key']);
        });
        Schema::create('machines', static function (Blueprint $t): void {
            $t->id();
            $t->string('name')->unique();
            $t->string('kind', 30);
            $t->jsonb('facts')->default('{}');
            $t->string('last_polymer', 20)->nullable();
            $t->timestampsTz();
        });
        Schema::create('products', static function (Blueprint $t): void {
            $t->id();
            $t->string('name')->unique();
            $t->string('process', 30);
            $t->string('polymer', 20);
            $t->jsonb('dimensions');
            $t->text('note')->default('');
            $t->timestampsTz();
        });
        Schema::create('recipes', static function (Blueprint $t): void {
            $t->id();
            $t->foreignId('product_id')->constrained();
            $t->foreignId('machine_id')->constrained();
            $t->integer('version');
            $t->jsonb('settings');
            $t->text('note')->default('');
            $t->foreignId('by_id')->constrained('users');
            $t->timestampTz('created_at')->useCurrent();
            $t->unique(['product_id', 'machine_id', 'version']);
        });
        Schema::create('procedures', static function (Blueprint $t): void {
            $t->id();
            $t->string('key', 40);
            $t->integer('version');
            $t->jsonb('body');
            $t->timestampTz('created_at')->useCurrent();
            $t->unique(['key', 'version']);
        });
        Schema::create('runs', static function (Blueprint $t): void {
            // The id is made by the screen that starts the run, so that a start sent twice starts once.
            $t->uuid('id')->primary();
            $t->bigInteger('number')->generatedAs()->unique();
            $t->foreignId('product_id')->constrained();
            $t->foreignId('recipe_id')->nullable()->constrained();
            $t->foreignId('procedure_id')->constrained();
            $t->foreignId('machine_id')->constrained();
            $t->foreignId('cold_machine_id')->nullable()->constrained('machines');
            $t->foreignId('lot_id')->constrained();
            $t->foreignId('started_by')->constrained('users');
            $t->jsonb('plan');
            $t->jsonb('choices');
            $t->jsonb('setup');
            $t->jsonb('safety');
            $t->string('status', 20);
            $t->string('step', 40)->nullable();
            $t->string('verdict', 20)->nullable();
            $t->text('scrap_reason')->nullable();
            $t->decimal('charged_g', 12, 3)->nullable();
            $t->timestampTz('started_at', 3);
            $t->timestampTz('ended_at', 3)->nullable();
            $t->timestampsTz();
            $t->index(['started_at', 'id']);
            $t->index(['product_id', 'started_at', 'id']);
            $t->index(['verdict', 'started_at', 'id']);
        });
        DB::statement("create index runs_open on runs (machine_id) where status = 'running'");
        Schema::create('run_events', static function (Blueprint $t): void {
            $t->id();
            $t->foreignUuid('run_id')->constrained();
            $t->integer('seq');
            $t->string('key', 60);
            $t->string('type', 20);
            $t->timestampTz('at', 3);
            $t->foreignId('by_id')->constrained('users');
            $t->jsonb('data');
            $t->timestampTz('recorded_at', 3)->useCurrent();
            $t->unique(['run_id', 'key']);
            $t->unique(['run_id', 'seq']);
        });
        Schema::create('inspections', static function (Blueprint $t): void {
            $t->id();
            $t->foreignUuid('run_id')->constrained();
            $t->string('event_key', 60);
            $t->double('mass_g');
            $t->double('mean_mm');
            $t->double('range_mm');
            $t->double('bow_mm')->nullable();
            $t->double('porosity_pct');
            $t->jsonb('result');
            $t->timestampTz('at', 3);
            $t->unique(['run_id', 'event_key']);
        });

        $this->readings();
        foreach (['run_events', 'lot_movements', 'polymer_overrides', 'recipes', 'readings'] as $table) {
            $this->appendOnly($table);
        }
    }

    private function readings(): void
    {
        DB::statement('create table readings (
            at timestamptz(3) not null, machine_id bigint not null references machines, run_id uuid, channel varchar(40) not null, value double precision not null
        ) partition by range (at)');
        DB::statement('create table readings_other partition of readings default');
        DB::statement('create index readings_at on readings using brin (at)');
        DB::statement('create index readings_machine on readings (machine_id, channel, at)');
        DB::statement('create index readings_run on readings (run_id, channel, at) where run_id is not null');
        for ($month = new DateTimeImmutable('2026-07-01'); $month < new DateTimeImmutable('2029-01-01'); $month = $month->modify('+1 month')) {
            DB::statement(sprintf(
                "create table readings_%s partition of readings for values from ('%s') to ('%s')",
                $month->format('Y_m'),
                $month->format('Y-m-d'),
                $month->modify('+1 month')->format('Y-m-d'),
            ));
        }
    }

    /** The database itself refuses to change or take away what was logged. */
    private function appendOnly(string $table): void
    {
        DB::unprepared("create or replace function refuse_change() returns trigger language plpgsql as \$\$
            begin raise exception '% is append-only: add a correcting entry instead', tg_table_name; end \$\$");
        DB::unprepared(
            "create trigger {$table}_append_only before update or delete on {$table} for each row execute function refuse_change()",
        );
        DB::unprepared(
            "create trigger {$table}_no_truncate before truncate on {$table} for each statement execute function refuse_change()",
        );
    }

    public function down(): void
    {
        foreach ([
            'readings',
            'inspections',
            'run_events',
            'runs',
            'procedures',
            'recipes',
            'products',
            'machines',
            'lot_movements',
            'lots',
            'sources',
            'polymer_overrides',
            'cache_locks',
            'cache',
            'sessions',
            'device_user',
            'devices',
            'users',
        ] as $table) {
            DB::statement("drop table if exists {$table} cascade");
        }
        DB::statement('drop function if exists refuse_change() cascade');
    }
};
