<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What a run leaves is a lot again: flash, runners, overflow, offcuts, strips and bars. */
return new class extends Migration
{
    private const FORMS = ['item', 'flake', 'pellet', 'sheet', 'offcut', 'regrind', 'densified film'];

    private const KINDS = [
        'delivered', 'drawn', 'corrected', 'split', 'merged', 'shredded', 'counted', 'wasted', 'sorted', 'weighed', 'returned',
        'put_right',
    ];

    public function up(): void
    {
        DB::statement('create index if not exists lot_movements_charge on lot_movements (charge_id) where charge_id is not null');
        $this->know('lots', 'form', [...self::FORMS, 'strip', 'bar']);
        $this->know('lot_movements', 'kind', [...self::KINDS, 'made']);
    }

    public function down(): void
    {
        DB::statement('drop index if exists lot_movements_charge');
        $this->know('lots', 'form', self::FORMS);
        $this->know('lot_movements', 'kind', self::KINDS);
    }

    /** @param  list<string>  $values */
    private function know(string $table, string $column, array $values): void
    {
        $list = "'".implode("', '", $values)."'";
        DB::statement("alter table {$table} drop constraint if exists {$table}_{$column}_known");
        DB::statement("alter table {$table} add constraint {$table}_{$column}_known check ({$column} in ({$list}))");
    }
};
