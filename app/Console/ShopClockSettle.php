<?php

declare(strict_types=1);

namespace App\Console;

use App\Runs\Models\Run;
use App\Support\ShopClock;
use Dithermic\Core\Run\RunState;
use Illuminate\Console\Command;

/** The shop's time follows a wall clock that was set, but never under a timer that runs. */
final class ShopClockSettle extends Command
{
    protected $signature = 'shop:clock';

    protected $description = 'Take the time of the wall clock over, when no run is under way';

    public function handle(ShopClock $clock): int
    {
        $off = microtime(true) - $clock->now();
        if (Run::query()->where('status', RunState::RUNNING)->exists()) {
            if (abs($off) > 2) {
                $this->warn(sprintf(
                    'The clock of this machine was set by %+.0f s. The runs under way keep the time they began with; start again when they are done.',
                    $off,
                ));
            }

            return self::SUCCESS;
        }
        $clock->settle();

        return self::SUCCESS;
    }
}
