<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Extrusion;

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Reader;
use Dithermic\Core\Data\Record;
use Dithermic\Core\Diagnosis\KnownSignal;
use Dithermic\Core\Diagnosis\Lever;
use Dithermic\Core\Diagnosis\MeltEvidence;
use Dithermic\Core\Diagnosis\Witness;
use Dithermic\Core\Heat\Barrel\RestartResult;
use Dithermic\Core\Material\Polymer;
use Dithermic\Core\Practice\Dice;
use Dithermic\Core\Practice\Plant as Machine;
use Dithermic\Core\Process\BarrelRestart;
use Dithermic\Core\Process\Definition;
use Dithermic\Core\Process\Figure;
use Dithermic\Core\Process\Inspected;
use Dithermic\Core\Process\Interruption;
use Dithermic\Core\Process\Job;
use Dithermic\Core\Process\Leftover;
use Dithermic\Core\Process\Outline;
use Dithermic\Core\Process\Plan;
use Dithermic\Core\Process\Role;
use Dithermic\Core\Process\Told;
use Dithermic\Core\Process\Zones;
use Dithermic\Core\Run\RunState;
use Dithermic\Core\Run\Thread;
use Dithermic\Core\Safety\Process as Danger;

/** Bars and beams run into closed moulds and cooled in a tank; strips for another barrel; profiles drawn free. */
final class BarMaking extends Definition
{
    public function id(): string
    {
        return 'extrusion';
    }

    public function title(): string
    {
        return 'Run a bar';
    }

    public function made(): string
    {
        return 'Extruded';
    }

    public function planner(): string
    {
        return 'plan.extrusion';
    }

    public function roles(): array
    {
        return [
            new Role('barrel', 'extruder', ['extruder'], ExtruderFacts::class),
            new Role('mould', 'mould', ['bar_mould'], MouldFacts::class, required: false, throughout: true),
        ];
    }

    public function settings(): string
    {
        return BarSettings::class;
    }

    public function counts(): string
    {
        return 'bars';
    }

    public function figures(): array
    {
        return [
            new Figure('melt_c', 'Melt', 'temperature', 0),
            new Figure('bath_c', 'Tank', 'temperature', 0),
            new Figure('tank_min', 'In the tank', 'minutes', 0),
            new Figure('mass_g', 'Bar weighed', 'mass', 0, measured: true),
            new Figure('void_pct', 'Voids', 'percent', 1, measured: true),
            new Figure('size_mm', 'Across', 'length', 2, measured: true),
        ];
    }

    public function limits(array $targets): array
    {
        $most = self::voidLimit($targets);

        $size = $targets['size_mm'] ?? null;
        $by = $targets['size_tolerance_mm'] ?? null;

        return ['void_pct' => [-$most, $most]]
            + (is_numeric($size) && is_numeric($by) ? ['size_mm' => [(float) $size - $by, (float) $size + $by]] : []);
    }

    /** What was planned, and what is looked at: a profile is measured across, a bar and a strip are weighed. */
    public function figuresOf(array $targets, array $measured): array
    {
        $looked = isset($targets['size_mm']) ? ['size_mm'] : ['mass_g', 'void_pct'];

        return array_values(array_filter(
            parent::figuresOf($targets, $measured),
            static fn (Figure $f): bool => $f->measured ? in_array($f->id, $looked, true) : isset($targets[$f->id]),
        ));
    }

    public function dangers(): Danger
    {
        return Danger::Extrusion;
    }

    public function setPoint(): string
    {
        return 'melt_c';
    }

    /** Mass over section and length is its density, and that against the polymer's own says what is hollow inside. */
    public function inspect(string $entry, Record $values, array $targets, Polymer $polymer): Inspected
    {
        if ($entry === 'size') {
            return self::size($values, $targets);
        }
        $mass = $values->number('mass_g');
        $length = $values->number('length_mm');
        $density = 1000 * $mass / ((float) $targets['section_area_mm2'] * $length);
        $solid = (float) $polymer->property('density_g_cm3');
        $voids = 100 * (1 - $density / $solid);
        $limit = self::voidLimit($targets);
        $verdict = $voids > $limit ? 'hollow' : ($voids < -$limit ? 'heavier than solid' : 'sound');

        return new Inspected('bar', $mass, ['mass_g' => $mass, 'void_pct' => round($voids, 2)], [
            'mass_g' => $mass,
            'length_mm' => $length,
            'density_g_cm3' => round($density, 4),
            'solid_g_cm3' => $solid,
            'void_pct' => round($voids, 2),
            'verdict' => $verdict,
            'says' => match ($verdict) {
                'hollow' => sprintf('%.1f %% of it is hollow: more back pressure, or drier material.', $voids),
                'heavier than solid' => 'It weighs more than a solid bar: measure section and length again, or it is another polymer.',
                default => sprintf('%.1f %% voids: sound.', max(0.0, $voids)),
            },
        ]);
    }

    /**
     * The melt as it was logged, in the polymer's window, what the barrel held before, and the bar against its mass.
     */
    public function evidence(Witness $of): array
    {
        $signals = MeltEvidence::of($of, $this->window($of->polymer));
        $bar = $of->logged('bar')['mass_g'] ?? null;
        $mass = $of->number('bar_mass_g');
        if (is_numeric($bar) && $mass !== null && $mass > 0.0) {
            $signals[] = new KnownSignal(
                'part_weight_delta_pct',
                round(100 * ((float) $bar / $mass - 1), 2),
                sprintf('the scale: %.0f g of %.0f', (float) $bar, $mass),
            );
        }

        return $signals;
    }

    public function mode(): string
    {
        return 'mould_fill';
    }

    public function levers(): array
    {
        return [
            'melt_set_c' => Lever::same('melt_c', 'melt_c'),
            'takeoff_wait_s' => Lever::factor('chill_min', 'cool_factor', 60.0),
        ];
    }

    public function plant(Job $job, Plan $plan, Polymer $polymer, Dice $truth, Dice $day): Machine
    {
        $targets = (array) $plan->targets;
        $barrel = new Plant(
            $day,
            $targets,
            (float) $polymer->property('density_g_cm3'),
            max(0.0, $truth->normal(2.7, 0.5) + $day->normal(0, 0.6)),
            exp($truth->normal(-0.04, 0.015) + $day->normal(0, 0.02)),
        );
        if ($plan instanceof PlanResult && $plan->take_off !== TakeOff::Mould) {
            return new FreePlant(
                $barrel,
                $day,
                $targets,
                exp($truth->normal(0.05, 0.02) + $day->normal(0, 0.01)),
                0.03,
            );
        }

        return $barrel;
    }

    public function troubles(RunState $state, ?float $at = null): array
    {
        return Zones::inHand($state, $at);
    }

    public function face(Record $product): ?Outline
    {
        $across = $product->mayNumber('width_mm') ?? $product->mayNumber('diameter_mm');

        return Outline::of(null, $product->mayNumber('length_mm'), $across, null);
    }

    protected function left(Told $told, array $targets): array
    {
        return [
            new Leftover('purge', 'Free run', 'offcut', $told->grams('purge'), 'as it was weighed'),
            new Leftover('overflow', 'Overflow', 'offcut', $told->grams('overflow'), 'as it was weighed'),
            self::scrap($told, 'bar', (float) ($targets['bar_mass_g'] ?? 0)),
        ];
    }

    public function rack(RunState $state, array $targets, array $picture, float $now): array
    {
        return StripRack::of($state, $targets, $picture, $now);
    }

    public function offRack(int $piece): array
    {
        return StripRack::off($piece);
    }

    public function outForm(array $targets): ?string
    {
        return isset($targets['keep_min']) ? 'strip' : null;
    }

    public function procedures(): array
    {
        return array_map(static fn (TakeOff $off): array => $off->procedure(), TakeOff::cases());
    }

    public function procedureFor(Plan $plan): array
    {
        return ($plan instanceof PlanResult ? $plan->take_off : TakeOff::Mould)->procedure();
    }

    public function restart(Interruption $break): ?RestartResult
    {
        return (new BarrelRestart($this->calculations))->of(
            $break->machine->mayNumber('screw_diameter_mm'),
            true,
            null,
            $break,
        );
    }

    public function madeAt(Thread $piece): ?float
    {
        return $piece->done['fill']['at'] ?? null;
    }

    protected function own(Job $job): array
    {
        return [
            'machine' => Reader::known(ExtruderFacts::class, $job->machine('barrel')->of ?? []),
            'mould' => self::mould($job, MouldFacts::class),
            'strip_rule' => $job->choice('strip_rule') ?? StripRule::SkinCarries->value,
            'venting' => $job->choice('venting'),
        ];
    }

    /** @param  array<string, float|int|string|null>  $targets */
    private static function voidLimit(array $targets): float
    {
        return (float) ($targets['void_limit_pct'] ?? 5.0);
    }

    /**
     * A profile as it was measured across, and the speed that makes it what it should be: its section goes with one
     * over the speed, and both its sides alike, so the speed goes with the square of the size.
     *
     * @param  array<string, float|int|string|null>  $targets
     */
    private static function size(Record $values, array $targets): Inspected
    {
        $size = $values->number('size_mm');
        $wanted = (float) ($targets['size_mm'] ?? 0);
        if ($wanted <= 0) {
            throw new InputError('size_mm', 'has nothing to be held against: this run was planned without a size');
        }
        $by = (float) ($targets['size_tolerance_mm'] ?? 0);
        $now = $values->mayNumber('haul_m_min') ?? (float) ($targets['haul_m_min'] ?? 0);
        $to = $now * ($size / $wanted) ** 2;
        $verdict = abs($size - $wanted) <= $by + 1e-9 ? 'in size' : ($size > $wanted ? 'thick' : 'thin');

        return new Inspected('size', null, ['size_mm' => $size], [
            'size_mm' => $size,
            'wanted_mm' => $wanted,
            'haul_m_min' => round($to, 3),
            'verdict' => $verdict,
            'says' => $verdict === 'in size'
                ? sprintf('%.2f mm across: in size.', $size)
                : sprintf('%.2f mm across, %.2f are wanted: haul-off from %.2f to %.2f m/min.', $size, $wanted, $now, $to),
        ]);
    }
}
