<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Readings of long ago by the minute, where a shop does not keep all of them as they came. */
return new class extends Migration
{
    public function up(): void
    {
        DB::statement('create table reading_minutes (
            machine_id bigint not null references machines,
            channel varchar(40) not null,
            at timestamptz(0) not null,
            n integer not null check (n > 0),
            mean double precision not null,
            low double precision not null,
            high double precision not null,
            primary key (machine_id, channel, at),
            check (low <= mean + 1e-9 * abs(mean) and mean <= high + 1e-9 * abs(high)))');
        DB::unprepared('create trigger reading_minutes_append_only before update or delete on reading_minutes
            for each row execute function refuse_change()');
        DB::unprepared('create trigger reading_minutes_no_truncate before truncate on reading_minutes
            for each statement execute function refuse_change()');
    }

    public function down(): void
    {
        DB::statement('drop table if exists reading_minutes');
    }
};
