<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Machines that stand on a day because somebody works on them, and days on which nobody works. */
return new class extends Migration
{
    private const LOGS = ['standstills', 'days_off'];

    public function up(): void
    {
        Schema::create('standstills', static function (Blueprint $t): void {
            $t->id();
            $t->foreignId('machine_id')->constrained();
            $t->timestampTz('day', 3);
            $t->timestampTz('from_at', 3);
            $t->timestampTz('to_at', 3);
            $t->string('why', 200);
            $t->foreignId('by_id')->constrained('users');
            $t->timestampTz('at', 3);
            $t->index(['day', 'machine_id', 'id']);
        });
        DB::statement('alter table standstills add constraint standstills_hold check (from_at <= to_at)');
        Schema::create('days_off', static function (Blueprint $t): void {
            $t->id();
            $t->timestampTz('day', 3);
            $t->boolean('off');
            $t->string('why', 200);
            $t->foreignId('by_id')->constrained('users');
            $t->timestampTz('at', 3);
            $t->index(['day', 'id']);
        });
        foreach (self::LOGS as $table) {
            DB::unprepared("create trigger {$table}_append_only before update or delete on {$table}
                for each row execute function refuse_change()");
            DB::unprepared("create trigger {$table}_no_truncate before truncate on {$table}
                for each statement execute function refuse_change()");
            DB::unprepared("create trigger {$table}_news after insert on {$table}
                for each statement execute function tell_news('plan')");
        }
    }

    public function down(): void
    {
        foreach (self::LOGS as $table) {
            Schema::dropIfExists($table);
        }
    }
};
