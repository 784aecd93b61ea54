<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Orders with what came of them, who is here when, what people want of the plan, and the plans that were shown. */
return new class extends Migration
{
    private const APPEND_ONLY = ['orders', 'order_log', 'presences', 'plan_wishes', 'supplies'];

    public function up(): void
    {
        Schema::create('orders', static function (Blueprint $t): void {
            $t->uuid('id')->primary();
            $t->bigInteger('number')->generatedAs()->unique();
            $t->foreignId('product_id')->constrained();
            $t->integer('count');
            $t->timestampTz('due_at', 3);
            $t->text('words')->default('');
            $t->foreignId('by_id')->constrained('users');
            $t->timestampTz('at', 3);
        });
        DB::statement('alter table orders add constraint orders_hold check (count between 1 and 1000000)');
        Schema::create('order_log', static function (Blueprint $t): void {
            $t->id();
            $t->foreignUuid('order_id')->constrained();
            $t->string('kind', 12);
            $t->timestampTz('due_at', 3)->nullable();
            $t->text('reason')->default('');
            $t->foreignId('by_id')->constrained('users');
            $t->timestampTz('at', 3);
            $t->index(['order_id', 'id']);
        });
        DB::statement("alter table order_log add constraint order_log_kind_known
            check (kind in ('moved', 'delivered', 'cancelled'))");
        DB::statement(
            "alter table order_log add constraint order_log_hold check ((kind = 'moved') = (due_at is not null))",
        );
        DB::statement("create unique index order_log_ended on order_log (order_id) where kind <> 'moved'");
        Schema::create('presences', static function (Blueprint $t): void {
            $t->id();
            $t->foreignId('person_id')->constrained('users');
            $t->timestampTz('day', 3);
            $t->timestampTz('from_at', 3);
            $t->timestampTz('to_at', 3);
            $t->foreignId('by_id')->constrained('users');
            $t->timestampTz('at', 3);
            $t->index(['day', 'person_id', 'id']);
        });
        DB::statement('alter table presences add constraint presences_hold check (from_at <= to_at)');
        Schema::create('plan_wishes', static function (Blueprint $t): void {
            $t->id();
            $t->timestampTz('day', 3);
            $t->string('job', 60);
            $t->string('kind', 12);
            $t->timestampTz('start_at', 3)->nullable();
            $t->foreignId('by_id')->constrained('users');
            $t->timestampTz('at', 3);
            $t->index(['day', 'id']);
        });
        DB::statement("alter table plan_wishes add constraint plan_wishes_kind_known
            check (kind in ('pinned', 'free', 'left_out'))");
        DB::statement(
            "alter table plan_wishes add constraint plan_wishes_hold check ((kind = 'pinned') = (start_at is not null))",
        );
        Schema::create('supplies', static function (Blueprint $t): void {
            $t->id();
            $t->integer('phases');
            $t->double('amps')->nullable();
            $t->foreignId('by_id')->constrained('users');
            $t->timestampTz('at', 3);
        });
        DB::statement(
            'alter table supplies add constraint supplies_hold check (phases between 1 and 3 and (amps > 0 or amps is null))',
        );
        Schema::create('day_plans', static function (Blueprint $t): void {
            // The newest of a day, to stay near: what was shown before is nobody's record.
            $t->id();
            $t->timestampTz('day', 3)->unique();
            $t->string('hash', 64);
            $t->jsonb('result');
            $t->jsonb('what_if');
            $t->timestampTz('at', 3);
        });
        foreach (self::APPEND_ONLY as $table) {
            DB::unprepared("create trigger {$table}_append_only before update or delete on {$table}
                for each row execute function refuse_change()");
            DB::unprepared("create trigger {$table}_no_truncate before truncate on {$table}
                for each statement execute function refuse_change()");
        }
    }

    public function down(): void
    {
        foreach (['day_plans', ...array_reverse(self::APPEND_ONLY)] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
