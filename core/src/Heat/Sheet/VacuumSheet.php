<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Sheet;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Heat\Conduction\Crossing;
use Dithermic\Core\Heat\Conduction\Held;
use Dithermic\Core\Heat\Conduction\Insulated;
use Dithermic\Core\Heat\Conduction\Layer;
use Dithermic\Core\Heat\Conduction\Radiant;
use Dithermic\Core\Heat\Conduction\Stack;
use Dithermic\Core\Heat\Conduction\Substance;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Material\ThermalPolymer;

/**
 * Heating a clamped sheet under a radiant heater, by conduction through its thickness with the heater's flux taken in
 * at the face: σ·exchange·absorptivity·(Th⁴ − Ts⁴). Valid for opaque sheet; clear sheet takes heat in through its depth
 * and heats more evenly. Heated from both sides, half the thickness is solved. Sheet of PET and PLA is quenched.
 */
#[Calc(
    'heat.vacuum_sheet',
    'heating a clamped sheet: when it is ready, when it is too hot, how long it can be formed',
    size: 'thickness_mm',
)]
final readonly class VacuumSheet
{
    public const LIMIT_S = 3600.0;

    private const QUENCHED = ['PET', 'PLA'];

    public function __construct(private PolymerLibrary $polymers)
    {
    }

    public function __invoke(VacuumSheetInput $in, float $cells = 1.0, float $steps = 1.0): VacuumSheetResult
    {
        [$lower, $normal, $upper] = $this->window($in);
        $stack = $this->clamped($in, $cells, $steps);
        $curve = [self::point($stack, $in)];
        $watch = static function (Stack $s) use (&$curve, $in): void {
            $curve[] = self::point($s, $in);
        };
        $hot = clone $stack;
        $again = clone $stack;
        $limit = Crossing::time($hot, self::LIMIT_S, static fn (Stack $s): float => $s->hottest() - $upper);
        $ready = Crossing::time(
            $stack,
            self::LIMIT_S,
            static fn (Stack $s): float => min($s->coldest() - $lower, $s->meanTemperature() - $normal),
            $watch,
        );
        $spread = $form = $hottest = null;
        if ($ready !== null) {
            // The step that found it went past it: the heater leaves at the moment itself.
            $stack = $again;
            $stack->run($ready);
            $hottest = $stack->hottest();
            $spread = $hottest - $stack->coldest();
            $air = new Held($in->sheet->ambient_c, max($in->sheet->loss_w_m2k, 1e-9));
            $stack->meet(
                $air,
                $in->sheet->sides === 2 ? null : new Held($in->sheet->ambient_c, max($in->sheet->loss_w_m2k, 1e-9)),
            );
            $cold = Crossing::time(
                $stack,
                $ready + self::LIMIT_S,
                static fn (Stack $s): float => $lower - $s->coldest(),
                $watch,
            );
            $form = $cold === null ? null : $cold - $ready;
        }
        $window = $ready === null || $limit === null ? null : $limit - $ready;
        $stride = (int) max(1, ceil(count($curve) / 200));
        $result = new VacuumSheetResult(
            $ready,
            $limit,
            $window,
            $spread,
            $form,
            $lower,
            $normal,
            $upper,
            $hottest,
            array_values(array_filter($curve, static fn (int $i): bool => $i % $stride === 0, ARRAY_FILTER_USE_KEY)),
        );

        return $this->say($result, $in);
    }

    /** @return array{float, float, float} °C */
    private function window(VacuumSheetInput $in): array
    {
        $library = $in->sheet->material->record($this->polymers)?->process('vacuum_forming');
        $window = [];
        foreach (['sheet_lower_c', 'sheet_normal_c', 'sheet_upper_c'] as $name) {
            $window[] = $in->sheet->{$name} ?? $library?->mayNumber($name)
                ?? throw new InputError($name, 'give it, or name a polymer that is vacuum formed');
        }
        if ($window[1] < $window[0]) {
            throw new InputError('sheet_normal_c', 'must not be below sheet_lower_c');
        }
        if ($window[2] <= $window[1]) {
            throw new InputError('sheet_upper_c', 'must be above sheet_normal_c');
        }

        return $window;
    }

    /** A heater at a temperature (°C), as this sheet sees it. */
    public function heater(VacuumSheetInput $in, float $c): Radiant
    {
        return new Radiant(
            $c,
            $in->exchange * $in->sheet->material->need('absorptivity', $this->polymers),
            $in->sheet->loss_w_m2k,
            $in->sheet->ambient_c,
        );
    }

    /** The sheet as it comes under its heater; half of it where both faces are heated. */
    public function clamped(VacuumSheetInput $in, float $cells = 1.0, float $steps = 1.0): Stack
    {
        $substance = Substance::polymer($this->thermal($in));
        $both = $in->sheet->sides === 2;
        $unheated = $in->sheet->loss_w_m2k > 0
            ? new Held($in->sheet->ambient_c, $in->sheet->loss_w_m2k)
            : new Insulated;

        return new Stack(
            [new Layer(
                $substance,
                $in->sheet->thickness_mm / ($both ? 2000 : 1000),
                (int) round(($both ? 18 : 26) * $cells),
                $in->sheet->initial_c,
            )],
            $both ? new Insulated : $unheated, $this->heater($in, $in->heater_c), stepK: 2.0, stepScale: 1 / $steps,
        );
    }

    /**
     * Sheet of these is sold quenched: amorphous, it softens and has the specific heat of the melt long before the
     * crystals of a moulded piece would melt, and takes a fifth longer to heat.
     */
    private function thermal(VacuumSheetInput $in): ThermalPolymer
    {
        $thermal = $in->sheet->material->thermal($this->polymers);

        return $in->sheet->material->morphology === null && in_array(
            $in->sheet->material->polymer,
            self::QUENCHED,
            true,
        )
            ? $thermal->quenched()
            : $thermal;
    }

    private static function point(Stack $s, VacuumSheetInput $in): SheetCurvePoint
    {
        $profile = null;
        if ($in->sheet->with_profile) {
            $through = array_map(static fn (float $c): float => round($c, 1), array_values($s->t));
            $profile = $in->sheet->sides === 2 ? [...array_reverse($through), ...$through] : $through;
        }

        return new SheetCurvePoint(
            round($s->time, 2),
            round($s->hottest(), 2),
            round($s->meanTemperature(), 2),
            round($s->coldest(), 2),
            $profile,
        );
    }

    private function say(VacuumSheetResult $result, VacuumSheetInput $in): VacuumSheetResult
    {
        if ($result->ready_s === null) {
            $result->explain('The sheet does not get ready within an hour: a hotter or nearer heater.');
        } elseif ($result->window_s !== null && $result->window_s < 0) {
            $result->explain(sprintf(
                'It cannot be heated this way: the face is too hot %.0f s before the cold side is ready. %s a cooler heater for longer, or a soak off the heat, lets the thickness even out.',
                -$result->window_s,
                $in->sheet->sides === 1 ? 'Heat from both sides;' : 'Both sides are heated already;',
            ));
        } else {
            $result->explain(sprintf(
                'Ready after %.0f s%s; once the heater is gone it can be formed for %s.',
                $result->ready_s,
                $result->window_s === null ? '' : sprintf(', too hot %.0f s later', $result->window_s),
                $result->form_within_s === null ? 'a long time' : sprintf('%.0f s', $result->form_within_s),
            ));
        }
        $result->warn(
            $result->window_s !== null && $result->window_s < 0
                ? $in->sheet->material->overCeiling(
                    $result->hottest_at_ready_c ?? 0.0,
                    'The heated face when the cold side is ready',
                    $this->polymers,
                )
                : null,
        );
        $result->warn(
            $result->form_within_s !== null && $in->sheet->transfer_s > $result->form_within_s
                ? sprintf(
                    'The transfer of %.0f s is longer than that: the sheet is cold when the vacuum comes.',
                    $in->sheet->transfer_s,
                )
                : null,
        );

        return $result->warn(
            $result->window_s !== null && $result->window_s >= 0 && $result->window_s < 5
                ? 'The window is narrow: watch the cue, not the clock.'
                : null,
        );
    }
}
