<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** What is done to pieces after their run, how many it was done to, and the bought-in parts that it takes. */
return new class extends Migration
{
    private const LOGS = ['part_movements', 'finishings', 'finished'];

    public function up(): void
    {
        Schema::create('bought_parts', static function (Blueprint $t): void {
            $t->id();
            $t->string('name', 80)->unique();
            $t->integer('reorder_at')->nullable();
            $t->integer('order_to')->nullable();
            $t->integer('comes_days')->nullable();
            $t->integer('revision')->default(1);
            $t->timestampTz('retired_at', 3)->nullable();
        });
        Schema::create('part_movements', static function (Blueprint $t): void {
            $t->uuid('id')->primary();
            $t->foreignId('part_id')->constrained('bought_parts');
            $t->string('kind', 12);
            $t->integer('count');
            $t->foreignId('product_id')->nullable()->constrained();
            $t->string('reason', 500);
            $t->foreignId('by_id')->constrained('users');
            $t->timestampTz('at', 3);
            $t->index('part_id');
        });
        DB::statement("alter table part_movements add constraint part_movements_hold check (
            kind in ('came', 'used', 'counted') and (kind <> 'came' or count > 0) and (kind = 'used') = (product_id is not null))");
        Schema::create('finishings', static function (Blueprint $t): void {
            $t->id();
            $t->foreignId('product_id')->constrained();
            $t->jsonb('operations');
            $t->foreignId('by_id')->constrained('users');
            $t->timestampTz('at', 3);
            $t->index(['product_id', 'id']);
        });
        Schema::create('finished', static function (Blueprint $t): void {
            $t->uuid('id')->primary();
            $t->foreignId('product_id')->constrained();
            $t->integer('count');
            // What stood there finished when it was first said what is done: it took no parts from here.
            $t->boolean('stood')->default(false);
            $t->string('reason', 500);
            $t->foreignId('by_id')->constrained('users');
            $t->timestampTz('at', 3);
            $t->index('product_id');
        });
        foreach (self::LOGS as $table) {
            DB::unprepared("create trigger {$table}_append_only before update or delete on {$table}
                for each row execute function refuse_change()");
            DB::unprepared("create trigger {$table}_no_truncate before truncate on {$table}
                for each statement execute function refuse_change()");
            DB::unprepared("create trigger {$table}_news after insert on {$table}
                for each statement execute function tell_news('goods')");
        }
        DB::unprepared("create trigger bought_parts_news after insert or update on bought_parts
            for each statement execute function tell_news('goods')");
    }

    public function down(): void
    {
        foreach (['finished', 'finishings', 'part_movements', 'bought_parts'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
