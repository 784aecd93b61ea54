<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    /** The mould that a product is usually made in; a run says which one it had. */
    public function up(): void
    {
        Schema::table('products', static function (Blueprint $t): void {
            $t->foreignId('mould_id')->nullable()->constrained('machines');
            $t->index('mould_id');
        });
    }
};
