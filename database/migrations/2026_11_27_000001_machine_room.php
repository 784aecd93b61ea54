<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * Wrong tries that are counted, batches of readings that are known again, tokens that end, starts that remember what
 * they were asked.
 */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('sign_in_tries', static function (Blueprint $t): void {
            $t->string('subject', 80)->primary();
            $t->integer('failed');
            $t->timestampTz('next_at', 6);
            $t->timestampTz('last_at', 6);
        });
        Schema::create('reading_batches', static function (Blueprint $t): void {
            $t->uuid('id')->primary();
            $t->string('hash', 64);
            $t->jsonb('answer');
            $t->timestampTz('at', 3)->index();
        });
        Schema::create('sent', static function (Blueprint $t): void {
            $t->string('id', 60)->primary();
            $t->string('hash', 64);
            $t->timestampTz('at', 3);
        });
        $this->oneValueAtATime();
        DB::statement(
            "update personal_access_tokens set expires_at = now() + interval '90 days' where expires_at is null",
        );
    }

    /**
     * A channel has one value at a time: of what was stored twice the first stays, with its trigger held for that long.
     */
    private function oneValueAtATime(): void
    {
        DB::statement('alter table readings disable trigger user');
        DB::statement('delete from readings r using (select tableoid as t, ctid as c, row_number() over (partition by machine_id, channel, at order by tableoid, ctid) as n from readings) d
            where r.tableoid = d.t and r.ctid = d.c and d.n > 1');
        DB::statement('alter table readings enable trigger user');
        DB::statement('drop index readings_machine');
        DB::statement('create unique index readings_once on readings (machine_id, channel, at)');
    }

    public function down(): void
    {
        DB::statement('drop index readings_once');
        DB::statement('create index readings_machine on readings (machine_id, channel, at)');
        Schema::dropIfExists('sent');
        Schema::dropIfExists('reading_batches');
        Schema::dropIfExists('sign_in_tries');
    }
};
