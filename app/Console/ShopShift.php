<?php

declare(strict_types=1);

namespace App\Console;

use App\Instruments\Models\Channel;
use App\Instruments\Support\PlayedShift;
use App\Instruments\Support\SimulatedShop;
use App\Instruments\Support\Watching;
use App\Runs\Actions\PlanRun;
use App\Runs\Models\Run;
use App\Runs\Queries\Makeable;
use App\Support\ShopClock;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Process\Processes;
use Dithermic\Core\Run\RunState;
use Illuminate\Console\Command;

/** Plays a shift through the doors of a shop that is thrown away, quicker than it goes, and counts what is left of it. */
final class ShopShift extends Command
{
    protected $signature = 'shop:shift
        {url : where the shop answers}
        {--speed=600 : no quicker than so many times}
        {--hours=8 : of the shop}
        {--machines=4 : one of each process at most}';

    protected $description = 'Play a shift of a shop, quicker than it goes';

    public function handle(
        PlanRun $plan,
        Processes $processes,
        PolymerLibrary $polymers,
        ShopClock $clock,
        Watching $watching,
    ): int {
        if (Run::query()->where('status', RunState::RUNNING)->exists()) {
            $this->error('Runs are under way: their clocks would run too. Play it in a shop where nothing is made.');

            return self::INVALID;
        }
        $channels = [];
        foreach (Channel::query()->with('machine')->get() as $channel) {
            $channels[$channel->machine->name][] = $channel->key;
        }
        $shop = new SimulatedShop($plan, $processes, $polymers, $channels, []);
        $makeable = fn (): Makeable => $this->laravel->build(Makeable::class);
        $shift = new PlayedShift($makeable, $clock, $watching, $shop, rtrim((string) $this->argument('url'), '/'));
        $told = $shift->play(
            (float) $this->option('hours'),
            (float) $this->option('speed'),
            (int) $this->option('machines'),
        );
        $this->line(json_encode($told, JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE));

        return $told['events_lost'] + $told['readings_lost'] + $told['faults_missed'] + $told['alarms_false'] === 0
            && $told['refused'] === [] ? self::SUCCESS : self::FAILURE;
    }
}
