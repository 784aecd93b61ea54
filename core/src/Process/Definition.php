<?php

declare(strict_types=1);

namespace Dithermic\Core\Process;

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Reader;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Data\Range;
use Dithermic\Core\Data\Record;
use Dithermic\Core\Diagnosis\KnownSignal;
use Dithermic\Core\Diagnosis\Lever;
use Dithermic\Core\Diagnosis\Witness;
use Dithermic\Core\Heat\Barrel\RestartResult;
use Dithermic\Core\Instrument\Unit;
use Dithermic\Core\Learning\MachineLearnt;
use Dithermic\Core\Learning\ReadRun;
use Dithermic\Core\Material\Polymer;
use Dithermic\Core\Practice\Dice;
use Dithermic\Core\Practice\Plant;
use Dithermic\Core\Process\Change\ChangeJob;
use Dithermic\Core\Process\Change\ChangePlan;
use Dithermic\Core\Run\EventType;
use Dithermic\Core\Run\Procedure;
use Dithermic\Core\Run\RunState;
use Dithermic\Core\Run\Thread;
use Dithermic\Core\Safety\Process as Danger;
use ReflectionClass;
use ReflectionParameter;

/**
 * One process and all that is particular to it: its machines, its plan, its procedure, its checks, its figures. Whoever
 * needs something of a process asks here; nothing outside knows one by name. It lies in one folder with its
 * procedure.json.
 */
abstract class Definition
{
    public function __construct(protected Registry $calculations)
    {
    }

    /** As products and procedures name it. */
    abstract public function id(): string;

    /** As a person says it: "Press a sheet". */
    abstract public function title(): string;

    /** What was done to a part, to whoever asks how it was made: "Pressed". */
    public function made(): string
    {
        return 'Made';
    }

    /** The name of its planning calculation. */
    abstract public function planner(): string;

    /** @return non-empty-list<Role> the main machine first */
    abstract public function roles(): array;

    /** @return class-string the numbers that a person, a recipe or a product can set */
    abstract public function settings(): string;

    /** @return list<Figure> without values */
    abstract public function figures(): array;

    /**
     * Between what its measured figures have to be for a piece to be good.
     *
     * @param  array<string, float|int|string|null>  $targets  of a run's plan
     * @return array<string, array{float|null, float|null}> least and most, by figure; none where nothing is said
     */
    public function limits(array $targets): array
    {
        return [];
    }

    /** @return list<string> numbers of its plan in a unit: what an instrument can be held to */
    public function numbersIn(string $unit): array
    {
        $settings = (new ReflectionClass($this->settings()))->getConstructor()?->getParameters() ?? [];
        $names = array_map(static fn (ReflectionParameter $p): string => $p->getName(), $settings);

        return array_values(array_filter($names, static fn (string $name): bool => Unit::of($name) === $unit));
    }

    /** The setting that says how many pieces a run makes; null where it makes one. */
    public function counts(): ?string
    {
        return null;
    }

    /** Which of the known dangers it has: the rules by which it is let start. */
    abstract public function dangers(): Danger;

    /** The set-point that has a window in the library. */
    abstract public function setPoint(): string;

    /**
     * What is set on the main machine, in its own marks; none where it has none.
     *
     * @param  array<string, mixed>  $facts  of that machine
     * @param  array<string, float|int|string|null>  $targets  of a plan
     * @return array<string, string> by the name of the target
     */
    public function inMarks(array $facts, array $targets): array
    {
        $marks = $facts['set_marks'] ?? null;
        $set = $targets[$this->setPoint()] ?? null;

        return is_string($marks) && is_numeric($set)
            ? [$this->setPoint() => SetMarks::of($marks)->at((float) $set)]
            : [];
    }

    /**
     * What is particular to it of its planner's input: facts of machines, methods.
     *
     * @return array<string, mixed>
     */
    abstract protected function own(Job $job): array;

    /**
     * What a check says.
     *
     * @param  Record  $values  as they were logged
     * @param  array<string, float|int|string|null>  $targets  of the run's plan
     *
     * @throws InputError by the field of the entry
     */
    abstract public function inspect(string $entry, Record $values, array $targets, Polymer $polymer): Inspected;

    /** The entry that tells of the machine, by its id; null where none does. */
    public function tellsOfMachine(): ?string
    {
        return null;
    }

    /**
     * What the pieces of one machine tell of it.
     *
     * @param  list<array<string, mixed>>  $measured  values of that entry as they were logged, the oldest first
     * @param  array<string, mixed>  $facts  of that machine
     * @param  array<string, float|int|string|null>  $targets  of the newest run's plan
     * @return list<Wear>
     */
    public function wears(array $measured, array $facts, array $targets): array
    {
        return [];
    }

    /** @throws InputError by dotted field: settings, choices or product */
    public function plan(Job $job): Plan
    {
        try {
            $plan = $this->calculations->run($this->planner(), $this->input($job));
        } catch (InputError $error) {
            throw in_array($error->field, $this->schools(), true) ? $error->under('choices') : $this->placed($error);
        }
        assert($plan instanceof Plan);

        return $plan;
    }

    /** What is refused of a machine, by the place that it has in a job: "machines.barrel.max_c". */
    private function placed(InputError $error): InputError
    {
        $roles = array_column($this->roles(), 'id', 'id');

        return Ask::named(
            static fn (): never => throw $error,
            array_map(static fn (string $role): string => "machines.{$role}", ['machine' => $this->main()->id] + $roles),
        );
    }

    /** Temperatures between which a polymer is worked, °C; null where there are none. */
    public function window(Polymer $polymer): ?Range
    {
        return $polymer->process($this->id())->range($this->setPoint());
    }

    /**
     * What a recipe keeps of a plan: how it is made. What the product is stays the product's, and what the material is
     * the material's.
     *
     * @return array<string, float|string> settings and methods by name
     */
    public function recipe(Job $job, Plan $plan): array
    {
        $made = array_diff_key($plan->values(), $job->product, array_flip($this->ofMaterial()));

        return $plan->choices() + array_filter($made, static fn (?float $value): bool => $value !== null);
    }

    /**
     * What is said of a product: numbers that this process sets, and what the product had before.
     *
     * @param  array<array-key, mixed>  $said
     * @param  array<string, mixed>  $had  also where this process asks it no more
     *
     * @throws InputError by the number
     */
    public function mustFit(array $said, array $had = []): void
    {
        Reader::mustFit(
            $this->settings(),
            array_diff_key($said, array_diff_key($had, Reader::known($this->settings(), $had))),
            'is nothing that this process asks of a product',
        );
    }

    /** Why a polymer is not worked by this process; null when it is. */
    public function whyNot(Polymer $polymer): ?string
    {
        return $polymer->whyNot($this->id());
    }

    /**
     * What a run's drawings keep when a timed step ended at another moment than was planned; null when nothing changes.
     *
     * @param  array<string, mixed>  $picture  as it was kept
     * @return array<string, mixed>|null
     */
    public function follow(array $picture, string $timerKind, float $minutes): ?array
    {
        return null;
    }

    /**
     * What is in the main machine at a moment of a run; null where that is nothing, or nobody can know.
     *
     * @param  array<string, float|int|string|null>  $targets  of the run's plan
     */
    public function inside(RunState $state, array $targets, Polymer $polymer, float $now): ?Inside
    {
        return null;
    }

    /**
     * What each piece is made of, of a run that went over to another lot: by the lot that went in when it was charged,
     * where nothing of the one before stays in the machine.
     *
     * @param  array<string, float|int|string|null>  $targets  of the run's plan
     * @return array<int, array<int, float>> shares that add up to 1, by piece and by lot; 0 is the lot it began with
     */
    public function madeOf(Procedure $procedure, RunState $state, array $targets): array
    {
        $charged = [];
        foreach ($state->entries as $logged) {
            $draws = $logged['piece'] !== null && ($procedure->entry($logged['entry'])->effect ?? null) === 'draw_lot';
            if ($draws) {
                $charged[$logged['piece']] ??= $logged['at'];
            }
        }

        return array_map(
            static fn (Thread $piece): array => [
                $state->lotAt($charged[$piece->piece] ?? $piece->beganAt()) ?? 0 => 1.0,
            ],
            $state->pieces,
        );
    }

    /**
     * What is wrong with its machines at a moment of a run, in words, as its log says.
     *
     * @param  float|null  $at  s since 1970 UTC; null for now
     * @return list<string>
     */
    public function troubles(RunState $state, ?float $at = null): array
    {
        return [];
    }

    /**
     * The numbers that a main machine shows while it makes good pieces, and that are kept once so that no producing
     * machine is stopped to copy them; null where it has none of its own.
     *
     * @param  Record  $machine  its facts
     * @return class-string|null
     */
    public function captured(Record $machine): ?string
    {
        return null;
    }

    /** Whether a kept set-up is worked out anew for a mould: for one that bears less than metal, and says how much. */
    public function softens(Record $mould): bool
    {
        return false;
    }

    /**
     * What a kept set-up is on another machine; null where none can be carried.
     *
     * @param  Record  $setUp  as it was kept
     * @param  Record  $from  name and facts of the machine it was kept of
     * @param  Record  $to  name and facts
     *
     * @throws InputError where one of them does not say enough
     */
    public function ontoMachine(Record $setUp, Record $from, Record $to): ?Carried
    {
        return null;
    }

    /**
     * What a kept set-up is on the same machine with a weaker mould; null where none can be carried.
     *
     * @throws InputError where the mould does not say enough
     */
    public function ontoMould(Record $setUp, Record $from, Record $mould, Record $product): ?Carried
    {
        return null;
    }

    /**
     * What a part is cut along, seen from above; null where nothing is cut, or nobody has said how large it is.
     *
     * @param  Record  $product  its dimensions
     */
    public function outline(Record $product): ?Outline
    {
        return null;
    }

    /**
     * A part as it lies flat before whoever looks at it; null where nobody has said how large it is.
     *
     * @param  Record  $product  its dimensions
     */
    public function face(Record $product): ?Outline
    {
        return Outline::of(null, $product->mayNumber('length_mm'), $product->mayNumber('width_mm'), null);
    }

    /**
     * The form in which a good piece is material again; null where it is goods.
     *
     * @param  array<string, float|int|string|null>  $targets  of the run's plan
     */
    public function outForm(array $targets): ?string
    {
        return null;
    }

    /**
     * What a run cut hot for another machine and that waits there, oldest first; none where it feeds none.
     *
     * @param  array<string, float|int|string|null>  $targets  of the run's plan
     * @param  array<array-key, mixed>  $picture  that the plan was drawn from
     * @return list<OnRack>
     */
    public function rack(RunState $state, array $targets, array $picture, float $now): array
    {
        return [];
    }

    /** @return list<array{type: EventType, data: array<string, mixed>}> what its log is told when one leaves the rack */
    public function offRack(int $piece): array
    {
        return [];
    }

    /**
     * What the log of a run is told that is fed with so much by hand; null where it is fed so with nothing.
     *
     * @param  float  $feedC  throughout, as much heat as it holds
     * @param  int|null  $piece  of this run that is under way
     * @return array{type: EventType, data: array<string, mixed>}|null
     */
    public function fedWith(float $massG, float $feedC, ?int $piece): ?array
    {
        return null;
    }

    /**
     * What a run leaves besides good pieces, by its log and its plan: what is kept of it is a lot again.
     *
     * @param  array<string, float|int|string|null>  $targets  of the run's plan
     * @return list<Leftover> none under half a gram
     */
    public function leftovers(RunState $state, array $targets): array
    {
        return array_values(array_filter(
            $this->left(new Told($state), $targets),
            static fn (Leftover $of): bool => $of->mass_g >= Leftover::NOTHING_G,
        ));
    }

    /**
     * @param  array<string, float|int|string|null>  $targets
     * @return list<Leftover>
     */
    protected function left(Told $told, array $targets): array
    {
        return [];
    }

    /** Pieces that are not good, at their planned mass. */
    protected static function scrap(Told $told, string $piece, float $eachG): Leftover
    {
        $count = count($told->judged('scrap'));

        return new Leftover(
            'scrap',
            ucfirst($piece).($count === 1 ? '' : 's').' that '.($count === 1 ? 'is' : 'are').' not good',
            'offcut',
            round($count * $eachG, 1),
            sprintf('%d, %.1f g each', $count, $eachG),
        );
    }

    /**
     * What a main machine that lost its heat needs before the next piece; null where nobody can say it.
     *
     * @throws InputError where that cannot be
     */
    public function restart(Interruption $break): ?RestartResult
    {
        return null;
    }

    /** When a piece took on what the machine was then; null while it has not, or where that does not stay with it. */
    public function madeAt(Thread $piece): ?float
    {
        return null;
    }

    /**
     * What a piece was made under that a good one is not.
     *
     * @param  array<string, float|int|string|null>  $targets  of the run's plan
     * @return list<string>
     */
    public function flags(RunState $state, Thread $piece, array $targets = []): array
    {
        $at = $this->madeAt($piece);

        return [
            ...array_map(
                static fn (array $break): string => "under way when it was interrupted: {$break['reason']}",
                $state->breaksOf($piece),
            ),
            ...($at === null ? [] : array_map(
                static fn (string $trouble): string => "made with {$trouble}",
                $this->troubles($state, $at),
            )),
        ];
    }

    /**
     * Whether a mould goes into a machine of this process; null where nothing is asked.
     *
     * @param  Record  $machine  name and facts
     * @param  Record  $mould  name and facts
     * @param  Record  $product  what is made in it, by its settings; empty where nothing is
     */
    public function fits(Record $machine, Record $mould, Record $product, ?string $polymer): ?MouldFit
    {
        return null;
    }

    /** Whether its main machine holds something between two jobs that the next would be made with. */
    public function changesOver(): bool
    {
        return false;
    }

    /**
     * What stands between what a main machine holds and its next job; null where nothing does, or nothing is changed
     * over.
     *
     * @throws InputError where a machine or mould does not say enough
     */
    public function change(ChangeJob $to): ?ChangePlan
    {
        return null;
    }

    /**
     * When an instrument tells something of a piece, and on which channel of the main machine.
     *
     * @return list<Listen>
     */
    public function listens(RunState $state): array
    {
        return [];
    }

    /**
     * What it told; null where it was not there.
     *
     * @param  list<array{float, float}>  $readings  seconds since 1970 UTC, and what was read, in order
     * @param  array<string, mixed>  $facts  of the main machine
     */
    public function hears(Listen $on, array $readings, array $facts): ?Heard
    {
        return null;
    }

    /**
     * Timers that run now and that instruments can put right.
     *
     * @return list<Clock>
     */
    public function clocks(RunState $state): array
    {
        return [];
    }

    /**
     * What one of them would be by what was measured; null where too little was.
     *
     * @param  array<string, list<array{float, float}>>  $readings  by channel: seconds since 1970 UTC and what was read, in order
     * @param  array<string, mixed>  $picture  that the plan was drawn from
     */
    public function tracks(Clock $clock, array $readings, array $picture, float $now): ?Tracked
    {
        return null;
    }

    /**
     * What the readings of its last runs say of a main machine; null where nothing can be learnt of its kind.
     *
     * @param  list<ReadRun>  $runs  newest first
     * @param  Record  $facts  of the machine as they are known
     *
     * @throws InputError where nothing was read that could be used
     */
    public function learns(array $runs, Record $facts): ?MachineLearnt
    {
        return null;
    }

    /** Whether what hands log of a main machine is enough to learn from: no channel of it has to be read. */
    public function learnsFromLog(): bool
    {
        return false;
    }

    /** @return list<string> channels of a main machine that it learns from; none where it does not */
    public function learnsFrom(): array
    {
        return [];
    }

    /**
     * A machine of this process at work, with a truth of its own; null where none is simulated yet. What is true of a
     * machine is the same in all its runs, what a day brings differs.
     *
     * @param  Dice  $truth  the machine's own
     * @param  Dice  $day  the run's
     */
    public function plant(Job $job, Plan $plan, Polymer $polymer, Dice $truth, Dice $day): ?Plant
    {
        return null;
    }

    /**
     * What of a bad piece this process knows from its own entries, beside what tells the same in every process.
     *
     * @return list<KnownSignal>
     */
    public function evidence(Witness $of): array
    {
        return [];
    }

    /** Which of the modes that defects.json knows of its process it is; null where that is not told apart. */
    public function mode(): ?string
    {
        return null;
    }

    /**
     * How what a remedy moves stands in a plan here.
     *
     * @return array<string, Lever> by parameter of defects.json
     */
    public function levers(): array
    {
        return [];
    }

    /**
     * Where what a remedy moves stands in a run, and how far it may go with its polymer.
     *
     * @param  array<string, mixed>  $plan  the run's targets
     * @return list<array{parameter: string, now: float|null, min?: float, max?: float}> as diagnose.rank takes them
     */
    public function standings(array $plan, Polymer $polymer): array
    {
        $window = $this->window($polymer);
        $known = [];
        foreach ($this->levers() as $parameter => $lever) {
            $now = $plan[$lever->planned] ?? null;
            $bounds = $window !== null && $lever->planned === $this->setPoint()
                ? ['min' => $window->min, 'max' => $window->max]
                : [];
            $known[] = [
                'parameter' => $parameter,
                'now' => is_numeric($now) ? $lever->unit * (float) $now : null,
            ] + $bounds;
        }

        return $known;
    }

    /** @return array<array-key, mixed> as it ships */
    public function procedure(): array
    {
        $file = dirname((string) (new ReflectionClass($this))->getFileName()).'/procedure.json';

        return Record::file($file)->of;
    }

    /** @return array<array-key, mixed> by which a run of a plan is worked: as it ships, unless the process has several */
    public function procedureFor(Plan $plan): array
    {
        return $this->procedure();
    }

    /** @return list<array<array-key, mixed>> every procedure that it is worked by */
    public function procedures(): array
    {
        return [$this->procedure()];
    }

    /** @return list<string> ids of its schools */
    public function schools(): array
    {
        return array_map(strval(...), array_keys((new Record($this->procedure()))->array('schools')));
    }

    /**
     * @param  array<string, float|int|string|null>  $targets  of a run's plan
     * @param  array<string, float>  $measured  newest figures of its checks
     * @return list<Figure>
     */
    public function figuresOf(array $targets, array $measured): array
    {
        return array_map(static function (Figure $figure) use ($targets, $measured): Figure {
            $value = $figure->measured ? $measured[$figure->id] ?? null : $targets[$figure->id] ?? null;

            return $figure->with(is_numeric($value) ? (float) $value : null);
        }, $this->figures());
    }

    public function role(string $id): ?Role
    {
        foreach ($this->roles() as $role) {
            if ($role->id === $id) {
                return $role;
            }
        }

        return null;
    }

    /** The role in which a kind of mould hangs; null where it hangs in none. */
    public function hangs(string $kind): ?Role
    {
        foreach ($this->roles() as $role) {
            if ($role->throughout && $role->takes($kind)) {
                return $role;
            }
        }

        return null;
    }

    /** Whether a kind of machine has a place in it. */
    public function takes(string $kind): bool
    {
        return array_filter($this->roles(), static fn (Role $role): bool => $role->takes($kind)) !== [];
    }

    /** The role of the main machine. */
    public function main(): Role
    {
        return $this->roles()[0];
    }

    /** @throws InputError naming the role that is missing or wrongly filled */
    public function mustHave(Job $job): void
    {
        foreach ($this->roles() as $role) {
            $machine = $job->machine($role->id);
            if ($machine === null && $role->required) {
                throw new InputError("machines.{$role->id}", "is missing: choose the {$role->title}");
            }
            if ($machine !== null && ! $role->takes($machine->text('kind'))) {
                throw new InputError("machines.{$role->id}", "{$machine->text('name')} is no {$role->title}");
            }
        }
    }

    /**
     * What is known of the mould that hangs, of what a class has a field for; null where none does.
     *
     * @param  class-string  $facts
     * @return array<string, mixed>|null
     */
    protected static function mould(Job $job, string $facts): ?array
    {
        $mould = $job->machine('mould');

        return $mould === null ? null : Reader::known($facts, $mould->of);
    }

    /** @return list<string> settings that say what the material is like, not how it is worked */
    protected function ofMaterial(): array
    {
        return [];
    }

    /**
     * @return array<string, mixed> input of the planner
     *
     * @throws InputError
     */
    private function input(Job $job): array
    {
        $this->mustHave($job);
        $class = $this->settings();

        return [
            'polymer' => $job->polymer,
            'product' => Reader::known($class, $job->product),
            'recipe' => $job->recipe === null ? null : Reader::known($class, $job->recipe),
            'recipe_name' => $job->recipeName,
            'settings' => $job->settings === [] ? null : $job->settings,
        ] + $this->own($job);
    }
}
