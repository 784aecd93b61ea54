<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Press;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Heat\Conduction\Body;
use Dithermic\Core\Heat\Conduction\Stack;
use Dithermic\Core\Material\PolymerLibrary;

/**
 * One sheet through the hot press and the cold one, by conduction through half its thickness (PressModel).
 * The timer starts when the cold stack goes in. Valid for a sheet much wider than thick (edges are not modelled) and
 * for plates that touch evenly; contact conductances are typical of plates under light load.
 */
#[Calc(
    'heat.press_cycle',
    'heating, soak and cooling of a pressed sheet, hot press then cold press',
    size: 'thickness_mm',
)]
final readonly class PressCycle
{
    private const CURVE_POINTS = 200;

    public function __construct(private PolymerLibrary $polymers)
    {
    }

    /**
     * @param  float  $cells  times the default number of cells
     * @param  float  $steps  times the default number of steps
     */
    public function __invoke(PressCycleInput $in, float $cells = 1.0, float $steps = 1.0): PressCycleResult
    {
        return $this->followed($in, $cells, $steps)[0];
    }

    /**
     * The answer, and the sheet's way that it was read from: for whoever has more to ask of the same sheet.
     *
     * @return array{PressCycleResult, PressCourse}
     */
    public function followed(PressCycleInput $in, float $cells = 1.0, float $steps = 1.0): array
    {
        $model = new PressModel($in, $this->polymers, $cells, $steps);
        $stack = $model->coldStack();
        $start = $model->point($stack);
        $points = [$start];
        $surfaceMax = $start->surface_c;
        $consolidated = $model->pores > 0 ? null : 0.0;
        // The mid-plane closes last, when it first passes the temperature at which flakes are fused.
        $before = [$stack->time, $start->core_c];
        $watch = static function (Stack $s) use ($model, &$points, &$surfaceMax, &$consolidated, &$before): void {
            $point = $model->point($s);
            $points[] = $point;
            $surfaceMax = max($surfaceMax, $point->surface_c);
            $core = $s->leftSurface();
            if ($consolidated === null && $core >= $model->closedAt) {
                $consolidated = $before[0] + ($s->time - $before[0]) * ($model->closedAt - $before[1]) / max(
                    $core - $before[1],
                    1e-9,
                );
            }
            $before = [$s->time, $core];
        };
        $course = $in->transfer_min === null
            ? PressCourse::soaked($model, 60 * $in->soak_min, $watch)
            : PressCourse::until($model, 60 * $in->transfer_min, $watch);
        $heat = $course->heat;
        $hot = $course->hot->rightFace;
        if ($course->hot->time < $course->reached->time) {
            $points[count($points) - 1] = $model->point($course->hot);
        }
        $hotPoints = count($points);
        [$cool, , $cooled] = $course->cool($watch);
        $cold = $cooled->rightFace;

        $given = null;
        if ($in->minutes_given !== null) {
            $until = 60 * $in->minutes_given / $in->heat_factor;
            $judge = $until > $course->hot->time
                ? clone $course->hot
                : (new PressModel($in, $this->polymers, $cells, $steps))->coldStack();
            $judge->run($until);
            $given = $judge->leftSurface();
        }

        $result = new PressCycleResult(
            heat_min: $heat / 60,
            heat_min_calibrated: $heat / 60 * $in->heat_factor,
            soak_min: $in->soak_min,
            cool_min: $cool / 60,
            core_at_given_c: $given,
            surface_max_c: $surfaceMax,
            consolidated_min: $consolidated === null ? null : $consolidated / 60,
            energy_kj: 2 * $course->hot->gained() / 1000,
            platen_min_c: $hot instanceof Body ? $hot->lowest : null,
            cold_platen_end_c: $cold instanceof Body ? $cold->temperature : null,
            full_power_min: $hot instanceof Body ? $hot->secondsAtFullPower / 60 : null,
            core_target_c: $model->coreTarget,
            demould_c: $model->demould,
            energy_error_pct: $course->hot->energyErrorPct(),
            curve: self::thin($points, $hotPoints),
        );

        return [$this->say($result, $in, $model), $course];
    }

    private function say(PressCycleResult $result, PressCycleInput $in, PressModel $model): PressCycleResult
    {
        $because = $result->platen_min_c !== null && $in->platen_c - $result->platen_min_c > 5
            ? sprintf(
                ' The platens sag to %.0f °C under the cold stack and the heaters run flat out for %.0f min.',
                $result->platen_min_c,
                $result->full_power_min,
            )
            : '';
        $warm = $result->cold_platen_end_c !== null && $result->cold_platen_end_c - $in->cold_platen_c > 5
            ? sprintf(' The cold platens warm up to %.0f °C.', $result->cold_platen_end_c) : '';
        $result->explain(sprintf(
            'The middle needs %.1f min to reach %.0f °C between platens at %.0f °C.%s Then %.1f min of soak, and %.1f min in the cold press until nothing is above %.0f °C.%s',
            $result->heat_min,
            $model->coreTarget,
            $in->platen_c,
            $because,
            $in->soak_min,
            $result->cool_min,
            $model->demould,
            $warm,
        ));
        $polymer = $in->material->record($this->polymers);
        $result->warn($in->material->overCeiling(
            max($in->platen_c, $result->surface_max_c),
            'The platens',
            $this->polymers,
        ));
        if ($polymer?->whyNot('compression') !== null) {
            $result->warn("{$polymer->code} is not pressed: ".$polymer->whyNot('compression'));
        }
        if ($result->consolidated_min === null) {
            $result->warn(
                'The middle is still loose at the end of the soak: expect bubbles and flakes. Soak longer or press hotter.',
            );
        }
        if (
            $in->length_mm !== null
            && $in->width_mm !== null
            && min($in->length_mm, $in->width_mm) < 5 * $in->thickness_mm
        ) {
            $result->warn('The sheet is thick for its width: its edges lose heat too, which this model leaves out.');
        }

        return $result;
    }

    /**
     * At most CURVE_POINTS, keeping the first, the last and both sides of the transfer.
     *
     * @param  list<CurvePoint>  $points
     * @return list<CurvePoint>
     */
    private static function thin(array $points, int $hot): array
    {
        $count = count($points);
        if ($count <= self::CURVE_POINTS) {
            return $points;
        }
        $kept = [];
        $stride = ($count - 1) / (self::CURVE_POINTS - 4);
        $next = 0.0;
        foreach ($points as $i => $point) {
            if ($i >= $next || $i === $hot - 1 || $i === $hot || $i === $count - 1) {
                $kept[] = $point;
                $next = $i >= $next ? $next + $stride : $next;
            }
        }

        return $kept;
    }
}
