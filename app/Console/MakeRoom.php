<?php

declare(strict_types=1);

namespace App\Console;

use App\Instruments\Support\Thinning;
use Carbon\CarbonImmutable;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

/**
 * Readings lie in a partition for each month. What no partition takes goes into one for all of it, which is slow and
 * can never be split again while it is written to: so the months to come are made ahead, by who owns the tables. Those
 * of long ago are thinned where the shop wants it.
 */
final class MakeRoom extends Command
{
    protected $signature = 'shop:make-room {--months=24 : as far ahead as there shall be room}';

    protected $description = 'Make the partitions for the readings of the months to come';

    public function handle(Thinning $thinning): int
    {
        $first = CarbonImmutable::now('UTC')->startOfMonth();
        $made = 0;
        foreach (range(0, max(0, (int) $this->option('months'))) as $ahead) {
            $made += $this->make($first->addMonthsNoOverflow($ahead)) ? 1 : 0;
        }
        if ($made > 0) {
            $this->info("Room for the readings of {$made} months more.");
        }

        $full = (int) config('app.readings_full_months');
        $thinned = $full > 0 ? $thinning->keepInFull($full) : [];
        if ($thinned !== []) {
            $this->info('Readings kept by the minute from now on: '.implode(', ', $thinned).'.');
        }

        return self::SUCCESS;
    }

    private function make(CarbonImmutable $month): bool
    {
        $name = 'readings_'.$month->format('Y_m');
        [$from, $to] = [$month->format('Y-m-d'), $month->addMonthNoOverflow()->format('Y-m-d')];
        // A month of which something has come already, by a clock that ran ahead, stays where it is.
        if (
            DB::selectOne('select to_regclass(?) as known', [$name])?->known !== null
            || DB::table('readings_other')->where('at', '>=', $from)->where('at', '<', $to)->exists()
        ) {
            return false;
        }
        DB::statement("create table {$name} partition of readings for values from ('{$from}') to ('{$to}')");

        return true;
    }
}
