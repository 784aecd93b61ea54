<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * Goods: what was made comes from run_outputs; what was taken away or counted stands here. Care: what of a machine is looked
 * after, how often, and when it was done.
 */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('products', static function (Blueprint $t): void {
            $t->integer('reorder_at')->nullable();
            $t->integer('make_to')->nullable();
        });
        DB::statement('alter table products add constraint products_shelf check (
            (reorder_at is null) = (make_to is null) and (reorder_at is null or (reorder_at >= 0 and make_to > reorder_at)))');
        Schema::create('goods_movements', static function (Blueprint $t): void {
            $t->uuid('id')->primary();
            $t->foreignId('product_id')->constrained();
            $t->string('kind', 10);
            $t->integer('count');
            $t->text('reason')->default('');
            $t->foreignId('by_id')->constrained('users');
            $t->timestampTz('at', 3);
            $t->index(['product_id', 'at']);
        });
        DB::statement("alter table goods_movements add constraint goods_movements_hold check (
            (kind = 'taken' and count < 0) or kind = 'counted')");

        Schema::create('care', static function (Blueprint $t): void {
            $t->uuid('id')->primary();
            $t->foreignId('machine_id')->constrained();
            $t->string('title', 80);
            $t->text('why')->default('');
            $t->integer('every_days')->nullable();
            $t->integer('every_pieces')->nullable();
            $t->foreignUuid('run_id')->nullable()->constrained();
            $t->foreignId('by_id')->constrained('users');
            $t->timestampTz('at', 3);
            $t->timestampTz('given_up_at', 3)->nullable();
            $t->index(['machine_id', 'at']);
        });
        DB::statement('alter table care add constraint care_hold check (every_days >= 1 and every_pieces >= 1)');
        Schema::create('care_done', static function (Blueprint $t): void {
            $t->uuid('id')->primary();
            $t->foreignUuid('care_id')->constrained('care');
            $t->text('note')->default('');
            $t->foreignId('by_id')->constrained('users');
            $t->timestampTz('at', 3);
            $t->index(['care_id', 'at']);
        });
        foreach (['goods_movements', 'care_done'] as $table) {
            DB::unprepared("create trigger {$table}_append_only before update or delete on {$table}
                for each row execute function refuse_change()");
            DB::unprepared("create trigger {$table}_no_truncate before truncate on {$table}
                for each statement execute function refuse_change()");
        }
        // What was made on a machine since a moment.
        DB::statement('create index pieces_ended on pieces (run_id, ended_at)');
    }

    public function down(): void
    {
        DB::statement('drop index if exists pieces_ended');
        foreach (['care_done', 'care', 'goods_movements'] as $table) {
            Schema::dropIfExists($table);
        }
        DB::statement('alter table products drop constraint if exists products_shelf');
        Schema::table('products', static fn (Blueprint $t) => $t->dropColumn(['reorder_at', 'make_to']));
    }
};
