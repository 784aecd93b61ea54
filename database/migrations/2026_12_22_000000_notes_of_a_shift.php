<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** What a shift says to the next in its own words. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('shift_notes', static function (Blueprint $t): void {
            // Made by the screen, so that one sent twice is kept once.
            $t->uuid('id')->primary();
            $t->string('text', 1000);
            $t->foreignId('by_id')->constrained('users');
            $t->timestampTz('at', 3);
            $t->index('at');
        });
        DB::unprepared('create trigger shift_notes_append_only before update or delete on shift_notes
            for each row execute function refuse_change()');
        DB::unprepared("create trigger shift_notes_news after insert on shift_notes
            for each statement execute function tell_news('handover')");
        DB::unprepared('create trigger shift_notes_no_truncate before truncate on shift_notes
            for each statement execute function refuse_change()');
    }

    public function down(): void
    {
        Schema::dropIfExists('shift_notes');
    }
};
