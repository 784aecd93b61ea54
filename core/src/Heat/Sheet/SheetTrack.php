<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Sheet;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Heat\Conduction\Crossing;
use Dithermic\Core\Heat\Conduction\Stack;
use Dithermic\Core\Material\PolymerLibrary;

/**
 * A clamped sheet as it really heats: heat.vacuum_sheet under a heater at the temperatures that were read, up to now.
 * Over each interval the heater gives the mean of what both its ends radiate (the fourth powers, Stefan and Boltzmann).
 * From now on it stays as it was read last: a sheet takes a minute or two, elements and their bricks many. Before the
 * first reading it is taken as it was planned.
 */
#[Calc(
    'heat.sheet_track',
    'a clamped sheet as it really heats, from the heater as it was measured',
    size: 'thickness_mm',
)]
final readonly class SheetTrack
{
    private const ZERO_C = 273.15;

    /** nearer to its plan than this nobody is told, K */
    private const SAME_K = 5.0;

    private VacuumSheet $plan;

    public function __construct(PolymerLibrary $polymers)
    {
        $this->plan = new VacuumSheet($polymers);
    }

    public function __invoke(SheetTrackInput $in): SheetTrackResult
    {
        $planned = ($this->plan)($in->sheet);
        $stack = $this->plan->clamped($in->sheet);
        $readings = self::since($in);
        $isReady = static fn (Stack $s): float => min(
            $s->coldest() - $planned->sheet_lower_c,
            $s->meanTemperature() - $planned->sheet_normal_c,
        );
        $isTooHot = static fn (Stack $s): float => $s->hottest() - $planned->sheet_upper_c;
        $ready = $limit = null;
        $last = $readings[count($readings) - 1];
        foreach ($readings as $i => $reading) {
            $next = $readings[$i + 1] ?? null;
            $until = $next === null ? max($stack->time, $in->now_s) : $next->t_s;
            $mean = self::mean($reading->heater_c, $next->heater_c ?? $reading->heater_c);
            $stack->meet($this->plan->heater($in->sheet, $mean));
            $before = clone $stack;
            $stack->run($until);
            // The moment itself is looked for in the one interval that it lies in.
            $ready ??= $isReady($stack) < 0 ? null : Crossing::time(clone $before, $until, $isReady);
            $limit ??= $isTooHot($stack) < 0 ? null : Crossing::time($before, $until, $isTooHot);
        }
        $ready ??= Crossing::time(clone $stack, VacuumSheet::LIMIT_S, $isReady);
        $limit ??= Crossing::time(clone $stack, VacuumSheet::LIMIT_S, $isTooHot);

        return $this->say(new SheetTrackResult(
            $ready,
            $limit,
            $planned->ready_s,
            $stack->meanTemperature(),
            $stack->hottest(),
            $stack->coldest(),
            $last->heater_c,
            $this->asIf($in->sheet, $stack->meanTemperature(), $planned->ready_s),
            self::why($last->heater_c - $in->sheet->heater_c, $ready),
        ));
    }

    private function say(SheetTrackResult $result): SheetTrackResult
    {
        return $result->explain(sprintf(
            'Its mean is at %.0f °C: %s',
            $result->mean_now_c,
            $result->ready_s === null
                ? 'ready it does not get by itself.'
                : sprintf('ready after %.0f s%s. %s', $result->ready_s, $result->planned_s === null
                    ? ''
                    : sprintf(' instead of %.0f', $result->planned_s), $result->because),
        ));
    }

    private static function why(float $over, ?float $ready): string
    {
        return match (true) {
            $ready === null => sprintf(
                'The heater is %.0f K under what it was planned with: too cold for this sheet.',
                -$over,
            ),
            $over < -self::SAME_K => sprintf('The heater is %.0f K under what it was planned with.', -$over),
            $over > self::SAME_K => sprintf('The heater is %.0f K over what it was planned with.', $over),
            default => 'The heater is as it was planned with.',
        };
    }

    /**
     * Readings from the moment that the sheet came under it, the first one at that moment.
     *
     * @return non-empty-list<HeaterReading>
     */
    private static function since(SheetTrackInput $in): array
    {
        $start = $in->sheet->heater_c;
        $since = [];
        foreach ($in->readings as $reading) {
            if ($reading->t_s > $in->now_s) {
                break;
            }
            if ($reading->t_s <= 0.0) {
                $start = $reading->heater_c;
            } else {
                $since[] = $reading;
            }
        }

        return [new HeaterReading(0.0, $start), ...$since];
    }

    /** What gives as much as two give between them, °C. */
    private static function mean(float $a, float $b): float
    {
        return ((($a + self::ZERO_C) ** 4 + ($b + self::ZERO_C) ** 4) / 2) ** 0.25 - self::ZERO_C;
    }

    private function asIf(VacuumSheetInput $in, float $mean, ?float $planned): float
    {
        $until = $planned ?? VacuumSheet::LIMIT_S;

        return Crossing::time(
            $this->plan->clamped($in),
            $until,
            static fn (Stack $s): float => $s->meanTemperature() - $mean,
        ) ?? $until;
    }
}
