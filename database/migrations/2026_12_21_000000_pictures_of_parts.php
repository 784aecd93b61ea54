<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Photographs of parts by the place they show, and which stand for what is good: the newest word on a place counts. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('part_pictures', static function (Blueprint $t): void {
            // Made by the screen, so that one sent twice is kept once.
            $t->uuid('id')->primary();
            $t->foreignUuid('run_id')->constrained();
            $t->foreignId('product_id')->constrained();
            $t->integer('piece')->nullable();
            $t->string('place', 40);
            $t->foreignUuid('picture_id')->constrained();
            $t->foreignId('by_id')->constrained('users');
            $t->timestampTz('at', 3);
            $t->index(['run_id', 'at']);
        });
        Schema::create('sample_log', static function (Blueprint $t): void {
            $t->id();
            $t->foreignId('product_id')->constrained();
            $t->string('place', 40);
            // None where the place has no approved sample any more.
            $t->foreignUuid('part_picture_id')->nullable()->constrained();
            $t->foreignId('by_id')->constrained('users');
            $t->timestampTz('at', 3);
            $t->index(['product_id', 'place', 'id']);
        });
        foreach (['part_pictures', 'sample_log'] as $table) {
            DB::statement("alter table {$table} add constraint {$table}_place
                check (length(trim(place)) between 1 and 40)");
            DB::unprepared("create trigger {$table}_append_only before update or delete on {$table}
                for each row execute function refuse_change()");
            DB::unprepared("create trigger {$table}_no_truncate before truncate on {$table}
                for each statement execute function refuse_change()");
            DB::unprepared("create trigger {$table}_news after insert on {$table}
                for each statement execute function tell_news('parts')");
        }
    }

    public function down(): void
    {
        Schema::dropIfExists('sample_log');
        Schema::dropIfExists('part_pictures');
    }
};
