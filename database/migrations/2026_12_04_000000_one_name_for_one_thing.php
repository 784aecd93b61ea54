<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // A token names its owner's kind by a word: the class that stands for it may move.
        DB::table('personal_access_tokens')->update(['tokenable_type' => 'person']);
        // What a screen sends carries its id, everywhere by that name.
        foreach (['weighings', 'sorting_entries'] as $table) {
            Schema::table($table, static fn (Blueprint $t) => $t->renameColumn('key', 'id'));
        }
    }
};
