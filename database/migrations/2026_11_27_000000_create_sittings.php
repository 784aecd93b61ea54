<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Who sat at which screen from when to when: an entry made offline carries the proof of its author. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('sittings', static function (Blueprint $t): void {
            $t->uuid('id')->primary();
            $t->foreignId('device_id')->constrained()->cascadeOnDelete();
            $t->foreignId('user_id')->constrained();
            $t->string('secret_hash', 64);
            $t->timestampTz('began_at', 3);
            $t->timestampTz('ended_at', 3)->nullable();
            $t->index(['device_id', 'ended_at']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('sittings');
    }
};
