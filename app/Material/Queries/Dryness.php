<?php

declare(strict_types=1);

namespace App\Material\Queries;

use App\Material\Models\Drying;
use App\Material\Models\Lot;
use Carbon\CarbonImmutable;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Drying\ExposureResult;
use Dithermic\Core\Drying\Form;
use Dithermic\Core\Drying\PlanResult;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Safety\DryState;

/** How dry a lot is now: since it came out of the dryer it takes up water again. */
final readonly class Dryness
{
    public const ROOM_RH_PCT = 50.0;

    public function __construct(private Registry $calculations, private PolymerLibrary $polymers)
    {
    }

    public function state(Lot $lot, ?CarbonImmutable $at = null): DryState
    {
        return self::told($lot, $this->exposure($lot, $at));
    }

    /** @param  ExposureResult|null  $exposure  of this lot, where it was dried */
    public static function told(Lot $lot, ?ExposureResult $exposure): DryState
    {
        return $exposure === null ? $lot->dry_state : DryState::from($exposure->state);
    }

    /** The drying that it wants before it is worked, begun now or then; null where it is dry enough, or need not be. */
    public function wants(Lot $lot, ?CarbonImmutable $at = null): ?PlanResult
    {
        if (! $this->polymers->get($lot->polymer)->mustBeDried() || $this->state($lot) === DryState::Dry) {
            return null;
        }
        $plan = $this->calculations->run('dry.plan', [
            'polymer' => $lot->polymer,
            'start' => ($at ?? CarbonImmutable::now())->toIso8601String(),
            'form' => Form::ofLot($lot->form)->value,
        ]);
        assert($plan instanceof PlanResult);

        return $plan;
    }

    /** The drying that it is in; null where it is in no dryer. */
    public function inDryer(Lot $lot): ?Drying
    {
        return Drying::query()->where('lot_id', $lot->id)->whereNull('out_at')->first();
    }

    /** @param  CarbonImmutable|null  $at  a moment since it was dried; null for now */
    public function exposure(Lot $lot, ?CarbonImmutable $at = null): ?ExposureResult
    {
        $dried = $lot->dried_at;
        if ($dried === null) {
            return null;
        }
        $result = $this->calculations->run('dry.exposure', [
            'polymer' => $lot->polymer,
            'dried_at' => $dried->toIso8601String(),
            'hopper' => $lot->hopper ?? 'closed',
            'rh_pct' => $lot->rh_pct ?? self::ROOM_RH_PCT,
            'now' => ($at ?? CarbonImmutable::now())->max($dried)->toIso8601String(),
        ]);
        assert($result instanceof ExposureResult);

        return $result;
    }
}
