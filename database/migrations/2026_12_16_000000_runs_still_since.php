<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** A list of runs says which of them stand still, without folding their logs. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('runs', static fn (Blueprint $t) => $t->timestampTz('still_since', 3)->nullable());
    }

    public function down(): void
    {
        Schema::table('runs', static fn (Blueprint $t) => $t->dropColumn('still_since'));
    }
};
