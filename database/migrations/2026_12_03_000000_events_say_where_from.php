<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Each entry of a run keeps where it comes from; what is there was touched or typed, and nobody knows which. */
return new class extends Migration
{
    public function up(): void
    {
        DB::statement("alter table run_events add column source varchar(10) not null default 'tap'
            constraint run_events_source check (source in ('trace', 'signal', 'tap', 'typed'))");
    }

    public function down(): void
    {
        DB::statement('alter table run_events drop column source');
    }
};
