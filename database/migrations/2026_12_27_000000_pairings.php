<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Instruments that ask to be let in, by the code that stands on each, until somebody has scanned it. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('pairings', static function (Blueprint $t): void {
            $t->id();
            $t->string('code', 8)->unique();
            // Who asks by this code proves that it is the same instrument; only a hash is kept.
            $t->char('secret_hash', 64);
            $t->string('name', 80);
            $t->jsonb('channels');
            $t->string('address', 45);
            $t->timestampTz('asked_at', 3)->index();
            $t->foreignId('machine_id')->nullable()->constrained();
            $t->foreignId('by_id')->nullable()->constrained('users');
            $t->timestampTz('paired_at', 3)->nullable();
            $t->foreignId('token_id')->nullable()->constrained('personal_access_tokens')->nullOnDelete();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('pairings');
    }
};
