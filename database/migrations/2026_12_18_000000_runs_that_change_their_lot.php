<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** A run may go over to another lot while it is under way. */
return new class extends Migration
{
    private const BEFORE = [
        'started', 'confirmed', 'logged', 'step_done', 'extended', 'corrected', 'noted', 'piece_begun', 'piece_dropped', 'closing',
        'aborted', 'interrupted', 'resumed',
    ];

    public function up(): void
    {
        $this->know([...self::BEFORE, 'lot_changed']);
    }

    public function down(): void
    {
        $this->know(self::BEFORE);
    }

    /** @param  list<string>  $types */
    private function know(array $types): void
    {
        $list = "'".implode("', '", $types)."'";
        DB::statement('alter table run_events drop constraint if exists run_events_type_known');
        DB::statement("alter table run_events add constraint run_events_type_known check (type in ({$list}))");
    }
};
