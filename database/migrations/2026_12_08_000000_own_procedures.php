<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** How a shop works a procedure otherwise: what was proposed, and what a lead said to it. A run keeps what it was run with. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('procedure_log', static function (Blueprint $t): void {
            $t->id();
            $t->string('key', 40);
            $t->string('kind', 12);
            $t->foreignId('proposal_id')->nullable()->constrained('procedure_log');
            $t->integer('own')->nullable();
            $t->bigInteger('after')->nullable();
            $t->jsonb('way')->nullable();
            $t->jsonb('runs')->default('[]');
            $t->text('reason')->default('');
            $t->foreignId('by_id')->constrained('users');
            $t->timestampTz('at', 3);
            $t->index(['key', 'id']);
        });
        DB::statement("alter table procedure_log add constraint procedure_log_kind_known
            check (kind in ('proposed', 'approved', 'turned_down'))");
        DB::statement("alter table procedure_log add constraint procedure_log_hold check (
            (kind = 'proposed') = (way is not null) and (kind = 'proposed') = (proposal_id is null)
            and (kind = 'proposed') = (after is not null) and (kind = 'approved') = (own is not null))");
        DB::statement(
            'create unique index procedure_log_decided on procedure_log (proposal_id) where proposal_id is not null',
        );
        DB::statement('create unique index procedure_log_own on procedure_log (key, own) where own is not null');
        DB::unprepared('create trigger procedure_log_append_only before update or delete on procedure_log
            for each row execute function refuse_change()');
        DB::unprepared('create trigger procedure_log_no_truncate before truncate on procedure_log
            for each statement execute function refuse_change()');
        Schema::table('procedures', static function (Blueprint $t): void {
            $t->integer('own')->default(0);
            $t->dropUnique(['key', 'version']);
            $t->unique(['key', 'version', 'own']);
        });
        DB::statement("create index run_events_notes on run_events (run_id) where type = 'noted'");
    }

    public function down(): void
    {
        Schema::dropIfExists('procedure_log');
        DB::statement('drop index if exists run_events_notes');
        Schema::table('procedures', static function (Blueprint $t): void {
            $t->dropUnique(['key', 'version', 'own']);
            $t->dropColumn('own');
            $t->unique(['key', 'version']);
        });
    }
};
