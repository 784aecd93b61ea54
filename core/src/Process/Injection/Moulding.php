<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Injection;

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Reader;
use Dithermic\Core\Data\Record;
use Dithermic\Core\Diagnosis\KnownSignal;
use Dithermic\Core\Diagnosis\Lever;
use Dithermic\Core\Diagnosis\MeltEvidence;
use Dithermic\Core\Diagnosis\Witness;
use Dithermic\Core\Heat\Barrel\RestartResult;
use Dithermic\Core\Learning\MachineLearnt;
use Dithermic\Core\Material\Polymer;
use Dithermic\Core\Practice\Dice;
use Dithermic\Core\Practice\Plant as Machine;
use Dithermic\Core\Process\BarrelRestart;
use Dithermic\Core\Process\Carried;
use Dithermic\Core\Process\Change\ChangeJob;
use Dithermic\Core\Process\Change\ChangePlan;
use Dithermic\Core\Process\Clock;
use Dithermic\Core\Process\Definition;
use Dithermic\Core\Process\Figure;
use Dithermic\Core\Process\Inside;
use Dithermic\Core\Process\Inspected;
use Dithermic\Core\Process\Interruption;
use Dithermic\Core\Process\Job;
use Dithermic\Core\Process\Leftover;
use Dithermic\Core\Process\MouldFit;
use Dithermic\Core\Process\Plan;
use Dithermic\Core\Process\Role;
use Dithermic\Core\Process\Told;
use Dithermic\Core\Process\Tracked;
use Dithermic\Core\Process\Zones;
use Dithermic\Core\Run\EventType;
use Dithermic\Core\Run\Procedure;
use Dithermic\Core\Run\RunState;
use Dithermic\Core\Run\Thread;
use Dithermic\Core\Safety\Process as Danger;

/** Shots out of a barrel into a mould, by lever, drum, motor or a small screw. */
final class Moulding extends Definition
{
    public function id(): string
    {
        return 'injection';
    }

    public function title(): string
    {
        return 'Mould a part';
    }

    public function made(): string
    {
        return 'Injection-moulded';
    }

    public function planner(): string
    {
        return 'plan.injection';
    }

    public function roles(): array
    {
        return [
            new Role('barrel', 'injector', ['plunger_injector', 'screw_injector'], InjectorFacts::class),
            new Role('mould', 'mould', ['injection_mould'], MouldFacts::class, required: false, throughout: true),
        ];
    }

    public function settings(): string
    {
        return ShotSettings::class;
    }

    public function counts(): string
    {
        return 'shots';
    }

    public function figures(): array
    {
        return [
            new Figure('melt_c', 'Melt', 'temperature', 0),
            new Figure('mould_c', 'Mould', 'temperature', 0),
            new Figure('shot_mass_g', 'Shot', 'mass', 1),
            new Figure('cycle_s', 'Cycle planned', 'seconds', 0),
            new Figure('seat_s', 'Nozzle to full', 'seconds', 0, measured: true),
            new Figure('mass_g', 'Part weighed', 'mass', 2, measured: true),
            new Figure('full_pct', 'Of its mass', 'percent', 1, measured: true),
        ];
    }

    public function limits(array $targets): array
    {
        $wanted = $targets['part_mass_g'] ?? null;
        $least = $targets['part_least_g'] ?? null;

        return is_numeric($wanted) && is_numeric($least) ? [
            'mass_g' => [(float) $least, 2.0 * $wanted - $least],
            'full_pct' => [100.0 * $least / $wanted, 200.0 - 100.0 * $least / $wanted],
        ] : [];
    }

    public function dangers(): Danger
    {
        return Danger::Injection;
    }

    public function setPoint(): string
    {
        return 'melt_c';
    }

    /**
     * A part against its mass: what is missing in it was not filled. A stop of the plunger alone does not tell a full
     * mould from a blocked gate.
     */
    public function inspect(string $entry, Record $values, array $targets, Polymer $polymer): Inspected
    {
        $mass = $values->number('mass_g');
        $wanted = (float) ($targets['part_mass_g'] ?? 0);
        if ($wanted <= 0) {
            throw new InputError('mass_g', 'has nothing to be held against: this run was planned without a mass');
        }
        $full = 100 * $mass / $wanted;
        $least = (float) ($targets['part_least_g'] ?? $wanted);
        $most = 2 * $wanted - $least;
        $verdict = $mass < $least ? 'short' : ($mass > $most ? 'heavy' : 'full');

        return new Inspected('part_mass', $mass, ['mass_g' => $mass, 'full_pct' => round($full, 2)], [
            'mass_g' => $mass,
            'wanted_g' => $wanted,
            'full_pct' => round($full, 2),
            'verdict' => $verdict,
            'says' => match ($verdict) {
                'short' => sprintf('%.1f %% of its mass: it is short. Look at the end of the flow.', $full),
                'heavy' => sprintf('%.1f %% of its mass: flash, or more pressure than it wants.', $full),
                default => sprintf('%.1f %% of its mass: full.', $full),
            },
        ]);
    }

    public function inside(RunState $state, array $targets, Polymer $polymer, float $now): ?Inside
    {
        return (new Barrel($this->calculations))->of($state, $targets, $polymer, $now);
    }

    public function madeOf(Procedure $procedure, RunState $state, array $targets): array
    {
        return Barrel::madeOf($state, $targets) ?? parent::madeOf($procedure, $state, $targets);
    }

    public function changesOver(): bool
    {
        return true;
    }

    public function change(ChangeJob $to): ?ChangePlan
    {
        $targets = (array) $to->plan->targets;
        $plan = $this->calculations->run('plan.change', [
            'machine' => Reader::known(InjectorFacts::class, $to->job->machine('barrel')->of ?? []),
            'from' => $to->polymer === null
                ? null
                : ['polymer' => $to->polymer, 'lightness' => $to->wasLightness],
            'to' => [
                'polymer' => $to->job->polymer,
                'lightness' => $to->lightness,
                'melt_c' => $targets['melt_c'] ?? null,
            ],
            'mould_from' => $to->mould === null ? null : Reader::known(MouldFacts::class, $to->mould->of),
            'mould_to' => self::mould($to->job, MouldFacts::class),
            'mould_c' => $targets['mould_c'] ?? null,
            'barrel_c' => $to->heatC,
            'dry_min' => $to->dryMin,
            'in_dryer' => $to->inDryer,
            'people' => $to->people,
            'cycle_s' => $targets['cycle_s'] ?? null,
            'available' => $to->available,
        ]);
        assert($plan instanceof ChangePlan);

        return $plan->stop === null && ! $plan->changesAnything() ? null : $plan;
    }

    public function clocks(RunState $state): array
    {
        return SoakClock::running($state);
    }

    public function tracks(Clock $clock, array $readings, array $picture, float $now): ?Tracked
    {
        return (new SoakClock($this->calculations))->by(
            $clock,
            $readings,
            (array) ($picture['soak_input'] ?? []),
            $now,
        );
    }

    public function fits(Record $machine, Record $mould, Record $product, ?string $polymer): MouldFit
    {
        $fits = $this->calculations->run('mould.fits', array_filter([
            'machine' => Reader::known(InjectorFacts::class, $machine->of),
            'mould' => Reader::known(MouldFacts::class, $mould->of),
            'part' => array_filter([
                'volume_cm3' => $product->mayNumber('part_volume_cm3'),
                'thickness_mm' => $product->mayNumber('thickness_mm'),
            ]),
            'polymer' => $polymer,
        ]));
        assert($fits instanceof FitsResult);

        return new MouldFit(
            $fits->fits,
            array_map(static fn (FitReason $r): string => $r->says, $fits->reasons),
            $fits->unknown,
        );
    }

    /**
     * The melt as it was logged, in the polymer's window, the mould against its target, and what the barrel held
     * before.
     */
    public function evidence(Witness $of): array
    {
        $signals = MeltEvidence::of($of, $this->window($of->polymer));
        $mould = $of->logged('mould')['mould_c'] ?? null;
        $wanted = $of->number('mould_c');
        if (is_numeric($mould) && $wanted !== null) {
            $signals[] = new KnownSignal('mould_temp_error_k', (float) $mould - $wanted, 'the mould as it was logged');
        }
        $part = $of->logged('part')['mass_g'] ?? null;
        $mass = $of->number('part_mass_g');
        if (is_numeric($part) && $mass !== null && $mass > 0.0) {
            $signals[] = new KnownSignal(
                'part_weight_delta_pct',
                round(100 * ((float) $part / $mass - 1), 2),
                sprintf('the scale: %.2f g of %.2f', (float) $part, $mass),
            );
        }

        return $signals;
    }

    public function levers(): array
    {
        return [
            'melt_set_c' => Lever::same('melt_c', 'melt_c'),
            'mould_temp_c' => Lever::same('mould_c', 'mould_c'),
            'soak_time_min' => Lever::factor('soak_min', 'soak_factor'),
            'cool_time_s' => Lever::factor('cool_min', 'cool_factor', 60.0),
            'charge_g' => Lever::onTop('shot_mass_g', 'loss_pct'),
        ];
    }

    public function learns(array $runs, Record $facts): MachineLearnt
    {
        return (new SoakLearnt($this->calculations))->of($runs, $facts);
    }

    public function learnsFromLog(): bool
    {
        return true;
    }

    public function plant(Job $job, Plan $plan, Polymer $polymer, Dice $truth, Dice $day): Machine
    {
        assert($plan instanceof PlanResult);
        $wanted = is_numeric($plan->targets->mould_c ?? null) ? (float) $plan->targets->mould_c : 40.0;

        return new Plant(
            $this->calculations,
            $day,
            $polymer->code,
            $plan->values(),
            (array) $plan->targets,
            $plan->available_bar,
            $truth->normal(-2.0, 3.0) + $day->normal(0, 2.0),
            exp($truth->normal(0.04, 0.08)) * exp($day->normal(0, 0.03)),
            $day->happens(0.35) ? $day->between(16, 24) : $wanted - $day->between(0, 8),
            $day->between(0.9, 1.1) * ($plan->soak === null ? 1.0 : exp($truth->normal(-0.6, 0.1))),
        );
    }

    public function troubles(RunState $state, ?float $at = null): array
    {
        return Zones::inHand($state, $at);
    }

    public function captured(Record $machine): ?string
    {
        return $machine->mayNumber('screw_diameter_mm') === null ? null : ScrewSetUp::class;
    }

    public function softens(Record $mould): bool
    {
        return $mould->mayNumber('allowable_mpa') !== null;
    }

    public function ontoMachine(Record $setUp, Record $from, Record $to): Carried
    {
        return (new Carry($this->calculations))->toMachine($setUp, $from, $to);
    }

    public function ontoMould(Record $setUp, Record $from, Record $mould, Record $product): Carried
    {
        return (new Carry($this->calculations))->toSoftMould($setUp, $from, $mould, $product);
    }

    public function fedWith(float $massG, float $feedC, ?int $piece): array
    {
        $about = $piece === null ? [] : ['piece' => $piece];
        $values = ['mass_g' => $massG, 'feed_c' => round($feedC, 1)];

        return ['type' => EventType::Logged, 'data' => ['entry' => 'load', 'values' => $values] + $about];
    }

    protected function left(Told $told, array $targets): array
    {
        $shots = $told->through('shoot');
        $runner = (float) ($targets['runner_g'] ?? 0);

        return [
            new Leftover('purge', 'Test shots and purgings', 'offcut', $told->grams('purge'), 'as it was weighed'),
            new Leftover(
                'runner',
                'Runners',
                'offcut',
                round($shots * $runner, 1),
                sprintf('%d shots, %.1f g each', $shots, $runner),
            ),
            self::scrap(
                $told,
                'part',
                (float) ($targets['part_mass_g'] ?? 0) * max(1.0, (float) ($targets['parts_per_piece'] ?? 1)),
            ),
        ];
    }

    public function restart(Interruption $break): ?RestartResult
    {
        $known = Reader::read(InjectorFacts::class, Reader::known(InjectorFacts::class, $break->machine->of));
        $heats = (new BarrelSteel($known))->kelvinAMinute(BarrelRestart::ROOM_C, BarrelRestart::meltC($break));

        return (new BarrelRestart($this->calculations))->of($known->boreMm(), $known->hasScrew(), $heats, $break);
    }

    public function madeAt(Thread $piece): ?float
    {
        return $piece->done['shoot']['at'] ?? null;
    }

    protected function own(Job $job): array
    {
        return [
            'machine' => Reader::known(InjectorFacts::class, $job->machine('barrel')->of ?? []),
            'mould' => self::mould($job, MouldFacts::class),
            'soak_rule' => $job->choice('soak_rule') ?? SoakRule::Physics->value,
            'mould_make' => $job->choice('mould_make')
                ?? $job->machine('mould')?->mayText('make')
                ?? MouldMake::Aluminium->value,
        ];
    }
}
