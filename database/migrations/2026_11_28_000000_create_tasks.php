<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * Work that takes longer than a request may: what was asked, how far it is, and its answer. The other two are Laravel's
 * queue.
 */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('tasks', static function (Blueprint $t): void {
            $t->uuid('id')->primary();
            $t->string('kind', 20);
            $t->string('hash', 64);
            $t->foreignId('by_id')->constrained('users');
            $t->jsonb('asked')->nullable();
            $t->string('state', 10);
            $t->float('share')->default(0);
            $t->jsonb('answer')->nullable();
            $t->jsonb('fault')->nullable();
            $t->timestampTz('at', 3)->index();
            $t->timestampTz('ended_at', 3)->nullable();
            $t->index(['by_id', 'state']);
        });
        DB::statement(
            "alter table tasks add check (state in ('waiting', 'running', 'done', 'failed')), add check (kind in ('calc', 'import')), add check (share between 0 and 1)",
        );
        Schema::create('jobs', static function (Blueprint $t): void {
            $t->id();
            $t->string('queue')->index();
            $t->longText('payload');
            $t->unsignedTinyInteger('attempts');
            $t->unsignedInteger('reserved_at')->nullable();
            $t->unsignedInteger('available_at');
            $t->unsignedInteger('created_at');
        });
        Schema::create('failed_jobs', static function (Blueprint $t): void {
            $t->id();
            $t->string('uuid')->unique();
            $t->text('connection');
            $t->text('queue');
            $t->longText('payload');
            $t->longText('exception');
            $t->timestamp('failed_at')->useCurrent();
        });
    }

    public function down(): void
    {
        foreach (['failed_jobs', 'jobs', 'tasks'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
