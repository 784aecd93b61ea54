<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** From one job to the next on a machine: its plan, and its log. And what a machine holds between two jobs. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('machines', static function (Blueprint $t): void {
            $t->string('last_swatch', 7)->nullable();
            $t->foreignId('hung_id')->nullable()->constrained('machines');
        });
        Schema::create('job_changes', static function (Blueprint $t): void {
            // Made by the screen that begins it, so that one sent twice is begun once.
            $t->uuid('id')->primary();
            $t->foreignId('machine_id')->constrained();
            $t->foreignId('product_id')->constrained();
            $t->foreignId('lot_id')->nullable()->constrained();
            $t->foreignId('mould_id')->nullable()->constrained('machines');
            $t->string('polymer', 20);
            $t->jsonb('was');
            $t->jsonb('plan');
            $t->smallInteger('people');
            $t->foreignId('by_id')->constrained('users');
            $t->timestampTz('at', 3);
            $t->timestampTz('ended_at', 3)->nullable();
            $t->index(['machine_id', 'at']);
        });
        DB::statement('create unique index job_changes_one_open on job_changes (machine_id) where ended_at is null');
        Schema::create('change_log', static function (Blueprint $t): void {
            $t->id();
            $t->foreignUuid('change_id')->constrained('job_changes');
            $t->string('kind', 12);
            $t->jsonb('said');
            $t->foreignId('by_id')->constrained('users');
            $t->timestampTz('at', 3);
            $t->index(['change_id', 'id']);
        });
        DB::statement("alter table change_log add constraint change_log_kind_known check (
            kind in ('begun', 'tapped', 'looked', 'over', 'passed', 'undone', 'given_up'))");
        DB::unprepared('create trigger change_log_append_only before update or delete on change_log
            for each row execute function refuse_change()');
        DB::unprepared('create trigger change_log_no_truncate before truncate on change_log
            for each statement execute function refuse_change()');
    }

    public function down(): void
    {
        Schema::dropIfExists('change_log');
        Schema::dropIfExists('job_changes');
        Schema::table('machines', static function (Blueprint $t): void {
            $t->dropConstrainedForeignId('hung_id');
            $t->dropColumn('last_swatch');
        });
    }
};
