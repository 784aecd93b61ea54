<?php

declare(strict_types=1);

namespace App\Runs\Queries;

use App\Material\Models\Lot;
use App\Material\Queries\Dryness;
use App\Runs\Actions\Order;
use App\Runs\Models\JobChange;
use App\Shop\Models\Machine;
use App\Support\Seconds;
use Carbon\CarbonImmutable;
use Dithermic\Core\Data\Record;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Process\Change\ChangeJob;
use Dithermic\Core\Process\Change\ChangePlan;
use Dithermic\Core\Process\Plan;
use Dithermic\Core\Schedule\Spread;
use Dithermic\Core\Stock\Colour;

/** What stands between what a machine holds and an order, by what the shop knows of both. */
final readonly class ChangeOver
{
    /** newest changes of a machine that are looked at for how long they take */
    private const LAST = 12;

    /** newest lots that are looked at for what could go between */
    private const SHELF = 200;

    public function __construct(private Dryness $dryness, private PolymerLibrary $polymers)
    {
    }

    public function plan(Order $order, Plan $plan, int $people = 1, ?float $heatC = null): ?ChangePlan
    {
        $main = $order->main();
        if ($main === null || ! $order->process->changesOver()) {
            return null;
        }
        $lot = $order->lots[0] ?? null;
        $drying = $lot === null ? null : $this->dryness->inDryer($lot);

        return $order->process->change(new ChangeJob(
            $order->job(),
            $plan,
            $lot === null ? null : Colour::lightness($lot->swatch),
            $main->last_polymer !== null && $this->polymers->has($main->last_polymer) ? $main->last_polymer : null,
            $main->last_swatch === null ? null : Colour::lightness($main->last_swatch),
            $this->hung($main),
            match (true) {
                $lot === null => 0.0,
                $drying !== null => max(0.0, CarbonImmutable::now()->diffInSeconds($drying->ready_at) / 60),
                default => 60 * ($this->dryness->wants($lot)->hours ?? 0.0),
            },
            $drying !== null,
            $people,
            $heatC ?? 20.0,
            $main->last_polymer === null || $main->last_polymer === $order->polymer() ? [] : $this->shelf(),
        ));
    }

    /** The change that a machine is in. */
    public function open(Machine $machine): ?JobChange
    {
        return JobChange::query()->where('machine_id', $machine->id)->whereNull('ended_at')->first();
    }

    /** How long the last changes of a machine took over what was planned. */
    public function spread(Machine $machine): Spread
    {
        $changes = JobChange::query()->where('machine_id', $machine->id)->whereNotNull('ended_at')->with('lines')
            ->orderByDesc('ended_at')->limit(self::LAST)->get()
            ->filter(static fn (JobChange $c): bool => $c->file()->givenUp === null);

        return Spread::ofTimes(array_values($changes->map(static fn (JobChange $c): array => [
            ($c->ended_at === null ? 0.0 : Seconds::of($c->ended_at) - Seconds::of($c->at)) / 60,
            (float) $c->plan['total_min'],
        ])->all()));
    }

    private function hung(Machine $main): ?Record
    {
        $mould = $main->loadMissing('hung')->hung;

        return $mould === null ? null : new Record(['name' => $mould->name] + $mould->facts, 'mould');
    }

    /** @return list<string> polymers of which something lies on the shelf */
    private function shelf(): array
    {
        $lots = Lot::query()->withHeld()->orderByDesc('id')->limit(self::SHELF)->get();
        $codes = $lots->filter(static fn (Lot $lot): bool => (float) $lot->held_g > 0)->pluck('polymer')->unique();

        return array_values($codes->filter(fn (string $code): bool => $this->polymers->has($code))->all());
    }
}
