<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** An own value may be given back to the library: the newest entry of a path says nothing then. */
return new class extends Migration
{
    public function up(): void
    {
        DB::statement('alter table polymer_overrides alter column value drop not null');
    }

    public function down(): void
    {
        // What was given back is the library's again without these entries too, but for the ones before them.
        DB::unprepared('alter table polymer_overrides disable trigger user');
        DB::statement('delete from polymer_overrides o using polymer_overrides back
            where back.value is null and o.polymer = back.polymer and o.path = back.path and o.id <= back.id');
        DB::unprepared('alter table polymer_overrides enable trigger user');
        DB::statement('alter table polymer_overrides alter column value set not null');
    }
};
