<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** What is shown of a run's parts to whoever has their code: the newest word of a run counts, and without one nothing is. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('passport_log', static function (Blueprint $t): void {
            $t->id();
            $t->foreignUuid('run_id')->constrained();
            $t->string('code', 26)->nullable()->index();
            $t->jsonb('shows');
            $t->jsonb('waste');
            $t->foreignId('by_id')->constrained('users');
            $t->timestampTz('at', 3);
            $t->index(['run_id', 'id']);
        });
        DB::statement("alter table passport_log add constraint passport_log_code
            check ((code is null) = (shows = '[]'::jsonb) and (code is null or length(code) = 26))");
        DB::unprepared('create trigger passport_log_append_only before update or delete on passport_log
            for each row execute function refuse_change()');
        DB::unprepared('create trigger passport_log_no_truncate before truncate on passport_log
            for each statement execute function refuse_change()');
    }

    public function down(): void
    {
        Schema::dropIfExists('passport_log');
    }
};
