<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * Settings as a run really did them, beside what was planned: what lists and windows are drawn by. And work for the queue
 * that asks the readings of a machine what it can do.
 */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('runs', static function (Blueprint $t): void {
            $t->jsonb('done')->nullable();
        });
        self::mayBe("'calc', 'import', 'learn'");
    }

    public function down(): void
    {
        Schema::table('runs', static function (Blueprint $t): void {
            $t->dropColumn('done');
        });
        DB::table('tasks')->where('kind', 'learn')->delete();
        self::mayBe("'calc', 'import'");
    }

    private static function mayBe(string $kinds): void
    {
        DB::statement("alter table tasks drop constraint tasks_kind_check,
            add constraint tasks_kind_check check (kind in ({$kinds}))");
    }
};
