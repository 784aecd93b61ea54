<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Compression;

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Reader;
use Dithermic\Core\Data\Record;
use Dithermic\Core\Diagnosis\KnownSignal;
use Dithermic\Core\Diagnosis\Lever;
use Dithermic\Core\Diagnosis\Witness;
use Dithermic\Core\Heat\Press\PressCycleResult;
use Dithermic\Core\Learning\MachineLearnt;
use Dithermic\Core\Material\Polymer;
use Dithermic\Core\Numerics\Median;
use Dithermic\Core\Practice\Dice;
use Dithermic\Core\Practice\Plant as Machine;
use Dithermic\Core\Practice\PressHabits;
use Dithermic\Core\Process\Clock;
use Dithermic\Core\Process\Definition;
use Dithermic\Core\Process\Figure;
use Dithermic\Core\Process\Inspected;
use Dithermic\Core\Process\Job;
use Dithermic\Core\Process\Leftover;
use Dithermic\Core\Process\Plan;
use Dithermic\Core\Process\Role;
use Dithermic\Core\Process\Told;
use Dithermic\Core\Process\Tracked;
use Dithermic\Core\Process\Wear;
use Dithermic\Core\Quality\PorosityResult;
use Dithermic\Core\Quality\Slope;
use Dithermic\Core\Quality\ThicknessGrid;
use Dithermic\Core\Quality\ThicknessGridResult;
use Dithermic\Core\Quality\Trend;
use Dithermic\Core\Run\RunState;
use Dithermic\Core\Safety\Process as Danger;

/** A sheet pressed in a hot press and cooled in a cold one. */
final class Pressing extends Definition
{
    /** a transfer this soon is a slip of the finger, and no half of a heating, min */
    private const LEAST_HEATING_MIN = 0.2;

    /** sheets that tell how it stands now */
    private const NOW = 4;

    public function id(): string
    {
        return 'compression';
    }

    public function title(): string
    {
        return 'Press a sheet';
    }

    public function made(): string
    {
        return 'Pressed';
    }

    public function planner(): string
    {
        return 'plan.compression';
    }

    public function roles(): array
    {
        return [
            new Role('hot', 'hot press', ['hot_press'], HotPressFacts::class),
            new Role('cold', 'cold press', ['cold_press'], ColdPressFacts::class, required: false),
        ];
    }

    public function settings(): string
    {
        return SheetSettings::class;
    }

    public function counts(): string
    {
        return 'sheets';
    }

    public function figures(): array
    {
        return [
            new Figure('platen_c', 'Platens', 'temperature', 0),
            new Figure('heat_min', 'Heated', 'minutes', 0),
            new Figure('mean_mm', 'Mean', 'length', 2, measured: true),
            new Figure('range_mm', 'Range', 'length', 2, measured: true),
            new Figure('porosity_pct', 'Voids', 'percent', 1, measured: true),
        ];
    }

    public function limits(array $targets): array
    {
        $nominal = $targets['nominal_mm'] ?? null;
        $tolerance = $targets['thickness_tolerance_mm'] ?? null;

        return is_numeric($nominal) && is_numeric($tolerance) ? [
            'mean_mm' => [$nominal - $tolerance, $nominal + $tolerance],
            'range_mm' => [null, 2.0 * $tolerance],
        ] : [];
    }

    public function dangers(): Danger
    {
        return Danger::Compression;
    }

    public function setPoint(): string
    {
        return 'platen_c';
    }

    public function inspect(string $entry, Record $values, array $targets, Polymer $polymer): Inspected
    {
        $grid = $this->calculations->run('quality.thickness_grid', [
            'points' => $values->array('points'),
            'nominal_mm' => $targets['nominal_mm'],
            'tolerance_mm' => $targets['thickness_tolerance_mm'],
        ]);
        assert($grid instanceof ThicknessGridResult);
        $porosity = $this->calculations->run('quality.porosity', [
            'mass_g' => $values->number('mass_g'),
            'length_mm' => $targets['length_mm'],
            'width_mm' => $targets['width_mm'],
            'mean_thickness_mm' => $grid->mean,
            'density_g_cm3' => $polymer->property('density_g_cm3'),
        ]);
        assert($porosity instanceof PorosityResult);
        $figures = ['mean_mm' => $grid->mean, 'range_mm' => $grid->range_mm, 'porosity_pct' => $porosity->porosity_pct];

        return new Inspected(
            'sheet_grid',
            $values->number('mass_g'),
            $grid->bow_mm === null ? $figures : $figures + ['bow_mm' => $grid->bow_mm],
            [
                'grid' => $grid,
                'porosity' => $porosity,
                'points' => $values->array('points'),
                'mass_g' => $values->number('mass_g'),
            ],
        );
    }

    public function tellsOfMachine(): string
    {
        return 'inspection';
    }

    /**
     * Guides that wear let the platens tilt more from sheet to sheet: named where the tilt grows surely, and by so much
     * that the sheets would be shimmed for it.
     */
    public function wears(array $measured, array $facts, array $targets): array
    {
        $tolerance = (float) ($targets['thickness_tolerance_mm'] ?? 0);
        $slopes = $this->slopes($measured);
        $wears = [];
        foreach (['x' => ['length_mm', 'from left to right'], 'y' => ['width_mm', 'from back to front']] as $axis => [$size, $way]) {
            $metres = (float) ($targets[$size] ?? 0) / 1000;
            $tilts = array_map(static fn (Slope $slope): float => $metres * $slope->{$axis}, $slopes);
            $trend = Trend::of($tilts);
            // A platen that was shimmed tilts less than before: that is no wear.
            $grew = $trend->grown * Median::of(array_slice($tilts, -self::NOW) ?: [0.0]) > 0;
            if (
                $trend->isSure
                && $grew
                && $tolerance > 0
                && abs($trend->grown) >= ThicknessGrid::WORTH_MENDING * $tolerance
            ) {
                $wears[] = new Wear(
                    "Guides: the platens tilt {$way}",
                    sprintf(
                        'The tilt grew by %.1f mm in %d sheets: look at the guides and level the platens.',
                        abs($trend->grown),
                        count($tilts),
                    ),
                );
            }
        }

        return $wears;
    }

    /**
     * @param  list<array<string, mixed>>  $measured
     * @return list<Slope> of those sheets that were measured over their face
     */
    private function slopes(array $measured): array
    {
        $slopes = [];
        foreach ($measured as $values) {
            try {
                $grid = $this->calculations->run('quality.thickness_grid', [
                    'points' => $values['points'] ?? [], 'nominal_mm' => 1.0, 'tolerance_mm' => 1.0,
                ]);
            } catch (InputError) {
                continue;
            }
            if ($grid instanceof ThicknessGridResult) {
                $slopes[] = $grid->slope_mm_per_m;
            }
        }

        return $slopes;
    }

    /** What a charge has more than the sheet that came out of it ran out as flash. */
    protected function left(Told $told, array $targets): array
    {
        $sheets = $told->weighed('inspection');
        $flash = 0.0;
        foreach ($told->weighed('weigh') as $piece => $charge) {
            $flash += isset($sheets[$piece]) ? max(0.0, $charge - $sheets[$piece]) : 0.0;
        }
        $scrapped = array_map(
            static fn (int $piece): float => $sheets[$piece] ?? (float) ($targets['charge_mass_g'] ?? 0),
            $told->judged('scrap'),
        );

        return [
            new Leftover('flash', 'Flash and edges', 'offcut', round($flash, 1), 'what was weighed in, less the sheet'),
            new Leftover(
                'scrap',
                'Sheets that are not good',
                'offcut',
                round(array_sum($scrapped), 1),
                sprintf('%d, as weighed', count($scrapped)),
            ),
        ];
    }

    /** The two faces against each other, and how long the stack was without load on its way over. */
    public function evidence(Witness $of): array
    {
        $signals = [];
        $platen = $of->logged('platen');
        if (is_numeric($platen['top_c'] ?? null) && is_numeric($platen['low_c'] ?? null)) {
            $signals[] = new KnownSignal(
                'face_diff_k',
                abs((float) $platen['top_c'] - (float) $platen['low_c']),
                'the platens as they were logged',
            );
        }

        return $signals;
    }

    public function levers(): array
    {
        return [
            'plate_set_c' => Lever::same('platen_c', 'platen_c'),
            'press_heat_min' => Lever::factor('heat_min', 'heat_factor'),
            'cold_cool_min' => Lever::factor('cool_min', 'cool_factor'),
            'charge_g' => Lever::onTop('charge_mass_g', 'allowance_pct'),
        ];
    }

    /** Several sheets in one run overlap the two presses; a single one is one pass. */
    public function procedures(): array
    {
        return [$this->procedure(), Series::procedure()];
    }

    public function procedureFor(Plan $plan): array
    {
        return $plan instanceof PlanResult && $plan->series !== null ? Series::procedure() : $this->procedure();
    }

    public function follow(array $picture, string $timerKind, float $minutes): ?array
    {
        if ($timerKind !== 'heat' || $minutes < self::LEAST_HEATING_MIN || ! isset($picture['heat_input'])) {
            return null;
        }
        $cycle = $this->calculations->run(
            'heat.press_cycle',
            ['transfer_min' => $minutes, 'with_profile' => true] + (array) $picture['heat_input'],
        );
        assert($cycle instanceof PressCycleResult);

        return [
            'curve' => $cycle->curve,
            'turn_min' => $minutes,
            'model' => ['cool_min' => $cycle->cool_min, 'cold_platen_end_c' => $cycle->cold_platen_end_c]
                + (array) $picture['model'],
        ] + $picture;
    }

    public function clocks(RunState $state): array
    {
        return HeatClock::running($state);
    }

    public function tracks(Clock $clock, array $readings, array $picture, float $now): ?Tracked
    {
        return (new HeatClock($this->calculations))->by(
            $clock,
            $readings,
            (array) ($picture['heat_input'] ?? []),
            $now,
        );
    }

    public function learns(array $runs, Record $facts): MachineLearnt
    {
        return (new PressLearnt($this->calculations))->of($runs, $facts);
    }

    public function learnsFrom(): array
    {
        return HeatClock::CHANNELS;
    }

    public function plant(Job $job, Plan $plan, Polymer $polymer, Dice $truth, Dice $day): Machine
    {
        return $this->pressOf($job, $plan, $polymer, $day, new PressHabits(
            gaugeOffsetK: $truth->normal(-2.0, 2.0),
            tiltXMmPerM: $truth->normal(0.1, 0.3),
            tiltYMmPerM: $truth->normal(0.0, 0.2),
            bowMm: $truth->normal(-0.12, 0.08),
        ));
    }

    /** The same press on a day of which its habits are known. */
    public function pressOf(Job $job, Plan $plan, Polymer $polymer, Dice $day, PressHabits $habits): Machine
    {
        assert($plan instanceof PlanResult);
        $cold = $job->machine('cold');
        $bulk = $plan->values()['bulk_density_g_cm3'] ?? $polymer->property('bulk_density_g_cm3');
        $solid = (float) $polymer->property('density_g_cm3');

        return new Plant(
            $this->calculations,
            $day,
            $plan->heat_input,
            (array) $plan->targets,
            $solid,
            (float) ($bulk ?? 0.5 * $solid),
            $cold === null
                ? null
                : Reader::read(ColdPressFacts::class, Reader::known(ColdPressFacts::class, $cold->of)),
            $habits,
        );
    }

    protected function own(Job $job): array
    {
        $cold = $job->machine('cold');

        return [
            'machine' => Reader::known(HotPressFacts::class, $job->machine('hot')->of ?? []),
            'cold' => $cold === null ? null : Reader::known(ColdPressFacts::class, $cold->of),
            'heat_rule' => $job->choices['heat_rule'] ?? null,
            'recipe_heat_rule' => $job->kept['heat_rule'] ?? null,
            'pump_school' => $job->choice('pump_school') ?? PumpSchool::EveryMinutes->value,
            'charge_method' => $job->choice('charge_method') ?? ChargeMethod::TrueDensity->value,
        ];
    }

    protected function ofMaterial(): array
    {
        return ['bulk_density_g_cm3'];
    }
}
