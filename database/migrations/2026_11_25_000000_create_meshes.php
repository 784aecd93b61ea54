<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('meshes', static function (Blueprint $t): void {
            $t->uuid('id')->primary();
            $t->string('name', 200);
            $t->string('sha256', 64)->unique();
            $t->bigInteger('bytes');
            $t->integer('facets');
            $t->foreignId('by_id')->constrained('users');
            $t->timestampTz('created_at')->index();
        });
        // In the database, so that one backup holds the whole shop; in parts, so that none is ever in memory whole.
        Schema::create('mesh_parts', static function (Blueprint $t): void {
            $t->foreignUuid('mesh_id')->constrained()->cascadeOnDelete();
            $t->integer('part');
            $t->binary('content');
            $t->primary(['mesh_id', 'part']);
        });
    }
};
