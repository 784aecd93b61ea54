<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What the taps of a piece measured, in seconds by figure: from the nozzle to full, from the heater to the pull. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('pieces', static function (Blueprint $t): void {
            $t->jsonb('clocked')->default('{}');
        });
    }

    public function down(): void
    {
        Schema::table('pieces', static function (Blueprint $t): void {
            $t->dropColumn('clocked');
        });
    }
};
