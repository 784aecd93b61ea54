<?php

declare(strict_types=1);

namespace App\Runs\Queries;

use App\Material\Data\ChargeData;
use App\Material\Models\Charge;
use App\Material\Queries\PresentCharge;
use App\Material\Support\ChargeState;
use App\Runs\Models\Run;
use Dithermic\Core\Stock\ChargeLots;

/** Weighed charges that wait and may go into a run, by the rule that lets one in. */
final readonly class ChargesFor
{
    private const MOST = 40;

    public function __construct(private PresentCharge $present)
    {
    }

    /** @return list<ChargeData> the first weighed first */
    public function of(Run $run): array
    {
        $lots = $run->materials->pluck('lot_id', 'lot_id')->all();

        return array_values(Charge::query()->with(PresentCharge::WHOLE)
            ->where('status', ChargeState::Waiting)->where('polymer', $run->polymer)
            ->orderBy('number')->limit(self::MOST)->get()
            ->filter(static fn (Charge $charge): bool => ChargeLots::areOf($charge->grams(), $lots))
            ->map(fn (Charge $charge): ChargeData => $this->present->charge($charge))->all());
    }
}
