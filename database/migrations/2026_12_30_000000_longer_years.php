<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * What every touch of a run and the shelves asked of all years: which runs claim a machine at once, which lots hold something,
 * and what came and went of a source besides being used.
 */
return new class extends Migration
{
    public function up(): void
    {
        DB::statement('create index if not exists run_stations_contested on run_stations (machine_id) where contested');
        DB::statement('create index if not exists lot_totals_holding on lot_totals (lot_id) where mass_g > 0');
        DB::statement("create index if not exists lot_movements_seldom on lot_movements (lot_id) include (kind, mass_g)
            where kind not in ('drawn', 'weighed', 'returned')");
    }

    public function down(): void
    {
        DB::statement('drop index if exists lot_movements_seldom');
        DB::statement('drop index if exists lot_totals_holding');
        DB::statement('drop index if exists run_stations_contested');
    }
};
