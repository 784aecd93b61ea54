<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Causes that were looked for, entry by entry; and what runs taught, with what people said to it. */
return new class extends Migration
{
    private const APPEND_ONLY = ['case_log', 'lessons'];

    public function up(): void
    {
        Schema::create('cases', static function (Blueprint $t): void {
            // Made by the screen that opens it, so that one sent twice is opened once.
            $t->uuid('id')->primary();
            $t->foreignUuid('run_id')->constrained();
            $t->integer('piece')->nullable();
            $t->foreignId('by_id')->constrained('users');
            $t->timestampTz('at', 3);
            $t->index(['run_id', 'at']);
        });
        Schema::create('case_log', static function (Blueprint $t): void {
            $t->id();
            $t->foreignUuid('case_id')->constrained();
            $t->string('kind', 12);
            $t->jsonb('said');
            $t->foreignId('by_id')->constrained('users');
            $t->timestampTz('at', 3);
            $t->index(['case_id', 'id']);
        });
        DB::statement("alter table case_log add constraint case_log_kind_known check (
            kind in ('seen', 'answered', 'read', 'changed', 'judged', 'withdrawn', 'closed'))");
        DB::statement("create index case_log_told on case_log (case_id) where kind in ('judged', 'changed')");
        Schema::create('lessons', static function (Blueprint $t): void {
            $t->uuid('id')->primary();
            $t->foreignUuid('run_id')->unique()->constrained();
            $t->string('setting', 60);
            $t->double('was')->nullable();
            $t->double('becomes');
            $t->text('says');
            $t->boolean('taken');
            $t->foreignId('recipe_id')->nullable()->constrained();
            $t->foreignId('by_id')->constrained('users');
            $t->timestampTz('at', 3);
        });
        DB::statement('alter table lessons add constraint lessons_hold check (taken = (recipe_id is not null))');
        foreach (self::APPEND_ONLY as $table) {
            DB::unprepared("create trigger {$table}_append_only before update or delete on {$table}
                for each row execute function refuse_change()");
            DB::unprepared("create trigger {$table}_no_truncate before truncate on {$table}
                for each statement execute function refuse_change()");
        }
    }

    public function down(): void
    {
        foreach (['lessons', 'case_log', 'cases'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
