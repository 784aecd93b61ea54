<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Film lies there loose, before it is densified. */
return new class extends Migration
{
    private const BEFORE = ['item', 'flake', 'pellet', 'sheet', 'offcut', 'regrind', 'densified film', 'strip', 'bar'];

    public function up(): void
    {
        $this->know([...self::BEFORE, 'film']);
    }

    public function down(): void
    {
        $this->know(self::BEFORE);
    }

    /** @param  list<string>  $forms */
    private function know(array $forms): void
    {
        $list = "'".implode("', '", $forms)."'";
        DB::statement('alter table lots drop constraint if exists lots_form_known');
        DB::statement("alter table lots add constraint lots_form_known check (form in ({$list}))");
    }
};
