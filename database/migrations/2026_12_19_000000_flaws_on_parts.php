<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Where on a part somebody saw a flaw. One that was marked wrongly is taken back by another line. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('flaws', static function (Blueprint $t): void {
            // Made by the screen, so that one sent twice is marked once.
            $t->uuid('id')->primary();
            $t->foreignUuid('run_id')->constrained();
            $t->integer('piece')->nullable();
            $t->string('defect', 40)->nullable();
            $t->double('along')->nullable();
            $t->double('across')->nullable();
            $t->uuid('undoes')->nullable()->unique();
            $t->foreignId('by_id')->constrained('users');
            $t->timestampTz('at', 3);
            $t->index(['run_id', 'at']);
        });
        DB::statement('alter table flaws add constraint flaws_undoes_one foreign key (undoes) references flaws (id)');
        DB::statement('alter table flaws add constraint flaws_hold check (
            (undoes is null and defect is not null and along between 0 and 1 and across between 0 and 1)
            or (undoes is not null and defect is null and along is null and across is null))');
        DB::statement('alter table flaws add constraint flaws_piece check (piece is null or piece >= 1)');
        DB::unprepared('create trigger flaws_append_only before update or delete on flaws
            for each row execute function refuse_change()');
        DB::unprepared('create trigger flaws_no_truncate before truncate on flaws
            for each statement execute function refuse_change()');
    }

    public function down(): void
    {
        Schema::dropIfExists('flaws');
    }
};
