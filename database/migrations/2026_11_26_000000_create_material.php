<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    private const APPEND_ONLY = [
        'acts',
        'source_events',
        'contaminations',
        'identifications',
        'sorting_entries',
        'mixes',
        'weighings',
    ];

    public function up(): void
    {
        // One thing that somebody did with material, named by the screen that sent it: sent twice, it happens once.
        Schema::create('acts', static function (Blueprint $t): void {
            $t->uuid('id')->primary();
            $t->string('kind', 20);
            $t->text('reason')->default('');
            $t->jsonb('data')->default('{}');
            $t->foreignId('by_id')->constrained('users');
            $t->timestampTz('at', 3);
        });
        Schema::create('pictures', static function (Blueprint $t): void {
            $t->uuid('id')->primary();
            $t->binary('jpeg');
            $t->foreignId('by_id')->constrained('users');
            $t->timestampTz('created_at')->useCurrent();
        });
        Schema::table('lots', static function (Blueprint $t): void {
            $t->smallInteger('generation')->default(0);
            $t->decimal('tare_g', 12, 3)->nullable();
            $t->jsonb('sheet')->nullable();
            $t->foreignId('reserved_for_id')->nullable()->constrained('products');
            $t->foreignUuid('picture_id')->nullable()->constrained('pictures');
            $t->timestampTz('dried_at')->nullable();
            $t->string('hopper', 10)->nullable();
            $t->double('rh_pct')->nullable();
        });
        Schema::create('charges', static function (Blueprint $t): void {
            $t->uuid('id')->primary();
            $t->bigInteger('number')->generatedAs()->unique();
            $t->foreignId('product_id')->nullable()->constrained();
            $t->string('about', 120);
            $t->string('polymer', 20);
            $t->double('scale_g');
            $t->double('tolerance_pct');
            $t->jsonb('components');
            $t->string('status', 20);
            $t->foreignUuid('run_id')->nullable();
            $t->foreignId('by_id')->constrained('users');
            $t->timestampTz('created_at')->useCurrent();
            $t->timestampTz('closed_at')->nullable();
            $t->index(['status', 'number']);
        });
        Schema::table('lot_movements', static function (Blueprint $t): void {
            $t->foreignUuid('act_id')->nullable()->constrained('acts');
            $t->foreignId('other_lot_id')->nullable()->constrained('lots');
            $t->foreignUuid('charge_id')->nullable();
            $t->index('act_id');
        });
        // The sum of a lot is read off the index alone.
        DB::statement('create index lot_movements_held on lot_movements (lot_id) include (mass_g)');
        Schema::table('runs', static function (Blueprint $t): void {
            $t->foreignUuid('charge_id')->nullable();
        });
        Schema::create('source_events', static function (Blueprint $t): void {
            $t->foreignUuid('act_id')->primary()->constrained('acts');
            $t->foreignId('source_id')->constrained();
            $t->string('kind', 20);
            $t->string('state', 30);
            $t->double('worked_at_c')->nullable();
            $t->foreignUuid('run_id')->nullable();
            $t->foreignUuid('picture_id')->nullable()->constrained('pictures');
            $t->text('note')->default('');
            $t->foreignId('by_id')->constrained('users');
            $t->timestampTz('at', 3);
            $t->index(['source_id', 'at']);
        });
        Schema::create('contaminations', static function (Blueprint $t): void {
            $t->foreignUuid('act_id')->primary()->constrained('acts');
            $t->foreignId('lot_id')->constrained();
            $t->string('found', 30);
            $t->double('found_g');
            $t->double('sample_g');
            $t->text('note')->default('');
            $t->foreignId('by_id')->constrained('users');
            $t->timestampTz('at', 3);
            $t->index(['lot_id', 'at']);
        });
        Schema::create('identifications', static function (Blueprint $t): void {
            $t->uuid('id')->primary();
            $t->jsonb('evidence');
            $t->string('decision', 20);
            $t->double('probability');
            $t->foreignId('by_id')->constrained('users');
            $t->timestampTz('at', 3);
        });
        Schema::create('sortings', static function (Blueprint $t): void {
            $t->uuid('id')->primary();
            $t->foreignId('source_id')->constrained();
            $t->string('about', 120);
            $t->decimal('in_g', 14, 3);
            $t->double('scale_g');
            $t->string('status', 20);
            $t->foreignId('by_id')->constrained('users');
            $t->timestampTz('started_at', 3);
            $t->timestampTz('closed_at', 3)->nullable();
        });
        Schema::create('sorting_bins', static function (Blueprint $t): void {
            $t->id();
            $t->foreignUuid('sorting_id')->constrained();
            $t->smallInteger('place');
            $t->string('polymer', 20)->nullable();
            $t->string('colour', 60);
            $t->string('swatch', 7);
            $t->string('location', 60)->default('');
            $t->foreignId('lot_id')->nullable()->constrained();
            $t->unique(['sorting_id', 'place']);
        });
        Schema::create('sorting_entries', static function (Blueprint $t): void {
            $t->uuid('key')->primary();
            $t->foreignUuid('sorting_id')->constrained();
            $t->foreignId('bin_id')->constrained('sorting_bins');
            $t->integer('pieces');
            $t->decimal('mass_g', 14, 3);
            $t->uuid('undoes')->nullable()->unique();
            $t->foreignId('by_id')->constrained('users');
            $t->timestampTz('at', 3);
            $t->index(['sorting_id', 'at']);
        });
        Schema::create('dryings', static function (Blueprint $t): void {
            $t->uuid('id')->primary();
            $t->foreignId('machine_id')->constrained();
            $t->foreignId('lot_id')->constrained();
            $t->double('air_c');
            $t->double('hours');
            $t->timestampTz('started_at', 3);
            $t->timestampTz('ready_at', 3);
            $t->timestampTz('wanted_at', 3)->nullable();
            $t->timestampTz('out_at', 3)->nullable();
            $t->boolean('out_dry')->nullable();
            $t->foreignId('by_id')->constrained('users');
            $t->foreignId('out_by_id')->nullable()->constrained('users');
        });
        DB::statement('create unique index dryings_in on dryings (lot_id) where out_at is null');
        Schema::create('mixes', static function (Blueprint $t): void {
            $t->id();
            $t->string('name', 80);
            $t->integer('version');
            $t->string('polymer', 20);
            $t->jsonb('components');
            $t->text('note')->default('');
            $t->foreignId('by_id')->constrained('users');
            $t->timestampTz('created_at')->useCurrent();
            $t->unique(['name', 'version']);
        });
        Schema::create('weighings', static function (Blueprint $t): void {
            $t->uuid('key')->primary();
            $t->foreignUuid('charge_id')->constrained();
            $t->smallInteger('component');
            $t->foreignId('lot_id')->constrained();
            $t->decimal('mass_g', 12, 3);
            $t->string('how', 20);
            $t->text('reason')->default('');
            $t->foreignId('by_id')->constrained('users');
            $t->timestampTz('at', 3);
            $t->index(['charge_id', 'at']);
        });
        foreach (self::APPEND_ONLY as $table) {
            DB::unprepared(
                "create trigger {$table}_append_only before update or delete on {$table} for each row execute function refuse_change()",
            );
            DB::unprepared(
                "create trigger {$table}_no_truncate before truncate on {$table} for each statement execute function refuse_change()",
            );
        }
    }

    public function down(): void
    {
        foreach ([
            'weighings',
            'mixes',
            'dryings',
            'sorting_entries',
            'sorting_bins',
            'sortings',
            'identifications',
            'contaminations',
            'source_events',
            'charges',
        ] as $table) {
            DB::statement("drop table if exists {$table} cascade");
        }
        Schema::table('runs', static fn (Blueprint $t) => $t->dropColumn('charge_id'));
        Schema::table(
            'lot_movements',
            static fn (Blueprint $t) => $t->dropColumn(['act_id', 'other_lot_id', 'charge_id']),
        );
        Schema::table(
            'lots',
            static fn (Blueprint $t) => $t->dropColumn([
                'generation',
                'tare_g',
                'sheet',
                'reserved_for_id',
                'picture_id',
                'dried_at',
                'hopper',
                'rh_pct',
            ]),
        );
        DB::statement('drop table if exists pictures cascade');
        DB::statement('drop table if exists acts cascade');
    }
};
