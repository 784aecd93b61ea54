<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What a machine's own controller showed while it made good pieces. A better one is a new row. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('captured_set_ups', static function (Blueprint $t): void {
            // Made by the screen, so that one sent twice is kept once.
            $t->uuid('id')->primary();
            $t->foreignUuid('run_id')->constrained();
            $t->foreignId('machine_id')->constrained();
            $t->foreignId('product_id')->constrained();
            $t->foreignId('mould_id')->nullable()->constrained('machines');
            $t->jsonb('shown');
            $t->jsonb('pictures');
            $t->foreignId('by_id')->constrained('users');
            $t->timestampTz('at', 3);
            $t->index(['product_id', 'at']);
            $t->index('run_id');
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('captured_set_ups');
    }
};
