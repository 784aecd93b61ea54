<?php

declare(strict_types=1);

namespace App\Console;

use App\Instruments\Support\Watching;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\Artisan;
use React\EventLoop\Loop;

/** Looks at the time: at channels that should speak and do not, and whether the clock of this machine was set. */
final class ShopWatch extends Command
{
    protected $signature = 'shop:watch {--for=3600 : stop after so many seconds, and be begun anew}';

    protected $description = 'Look at the time: silent channels, and the clock';

    private const CHANNELS_S = 10.0;

    /** A machine that slept, or whose clock was set, is followed as soon as no run is under way. */
    private const CLOCK_S = 600.0;

    public function handle(): int
    {
        $look = function (): void {
            $this->laravel->forgetScopedInstances();
            $this->laravel->make(Watching::class)->look();
        };
        $look();
        Loop::addPeriodicTimer(self::CHANNELS_S, $look);
        Loop::addPeriodicTimer(self::CLOCK_S, static fn () => Artisan::call('shop:clock'));
        Loop::addTimer((float) $this->option('for'), Loop::stop(...));
        Loop::run();

        return self::SUCCESS;
    }
}
