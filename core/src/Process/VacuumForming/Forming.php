<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\VacuumForming;

use Dithermic\Core\Calculator\Reader;
use Dithermic\Core\Data\Range;
use Dithermic\Core\Data\Record;
use Dithermic\Core\Diagnosis\KnownSignal;
use Dithermic\Core\Diagnosis\Lever;
use Dithermic\Core\Diagnosis\Witness;
use Dithermic\Core\Learning\MachineLearnt;
use Dithermic\Core\Material\Polymer;
use Dithermic\Core\Practice\Dice;
use Dithermic\Core\Practice\Plant as Machine;
use Dithermic\Core\Process\CheckState;
use Dithermic\Core\Process\Clock;
use Dithermic\Core\Process\Definition;
use Dithermic\Core\Process\Figure;
use Dithermic\Core\Process\Heard;
use Dithermic\Core\Process\Inspected;
use Dithermic\Core\Process\Job;
use Dithermic\Core\Process\Leftover;
use Dithermic\Core\Process\Listen;
use Dithermic\Core\Process\MouldFit;
use Dithermic\Core\Process\Outline;
use Dithermic\Core\Process\Plan;
use Dithermic\Core\Process\PlanCheck;
use Dithermic\Core\Process\Role;
use Dithermic\Core\Process\Told;
use Dithermic\Core\Process\Tracked;
use Dithermic\Core\Run\RunState;
use Dithermic\Core\Run\Thread;
use Dithermic\Core\Safety\Process as Danger;
use Dithermic\Core\Vacuum\TraceResult;
use Dithermic\Core\Vacuum\TraceVerdict;

/** A sheet heated and pulled over a mould. */
final class Forming extends Definition
{
    /** the gauge is heard so long before and after the go, s */
    private const PULL_S = [3.0, 25.0];

    /** fewer say nothing of a pull */
    private const LEAST_READINGS = 20;

    public function id(): string
    {
        return 'vacuum_forming';
    }

    public function title(): string
    {
        return 'Form a part';
    }

    public function made(): string
    {
        return 'Vacuum-formed';
    }

    public function planner(): string
    {
        return 'plan.vacuum_forming';
    }

    public function roles(): array
    {
        return [
            new Role('former', 'former', ['vacuum_former'], FormerFacts::class),
            new Role('mould', 'mould', ['forming_mould'], MouldFacts::class, required: false, throughout: true),
        ];
    }

    public function settings(): string
    {
        return FormedSettings::class;
    }

    public function counts(): string
    {
        return 'parts';
    }

    public function figures(): array
    {
        return [
            new Figure('sheet_mm', 'Sheet', 'length', 2),
            new Figure('heat_min', 'Heated', 'minutes', 1),
            new Figure('thinnest_mm', 'Thinnest foretold', 'length', 2),
            new Figure('go_s', 'Heater to pulled', 'seconds', 0, measured: true),
            new Figure('least_mm', 'Thinnest measured', 'length', 2, measured: true),
        ];
    }

    public function limits(array $targets): array
    {
        $least = $targets['least_wall_mm'] ?? null;

        return is_numeric($least) ? ['least_mm' => [(float) $least, null]] : [];
    }

    public function dangers(): Danger
    {
        return Danger::VacuumForming;
    }

    public function setPoint(): string
    {
        return 'sheet_normal_c';
    }

    /** How long the way from the heater to the pull took of the seconds that the sheet forms in. */
    public function evidence(Witness $of): array
    {
        $took = $of->procedure->clocked($of->thread())['go_s'] ?? null;
        $within = $of->number('form_within_s');

        return $took === null || $within === null || $within <= 0.0 ? [] : [new KnownSignal(
            'transfer_time_ratio',
            round($took / $within, 2),
            sprintf('by the taps: %.0f s from the heater to the pull, of %.0f', $took, $within),
        )];
    }

    public function clocks(RunState $state): array
    {
        return SheetClock::running($state);
    }

    public function tracks(Clock $clock, array $readings, array $picture, float $now): ?Tracked
    {
        return (new SheetClock($this->calculations))->by(
            $clock,
            $readings,
            (array) ($picture['heat_input'] ?? []),
            $now,
        );
    }

    /** One that was formed again is as thin as that makes it. */
    public function flags(RunState $state, Thread $piece, array $targets = []): array
    {
        $times = $state->count('again', $piece->piece);
        $sheet = (float) ($targets['sheet_mm'] ?? 0);
        $thinnest = (float) ($targets['thinnest_mm'] ?? 0);
        $then = $times === 0 || $sheet <= 0.0 || $thinnest <= 0.0
            ? null
            : FormedAgain::of($sheet, $thinnest, null)[$times - 1] ?? null;

        return [
            ...parent::flags($state, $piece, $targets),
            ...($times === 0 ? [] : [sprintf(
                'formed again %s%s',
                $times === 1 ? 'once' : "{$times} times",
                $then === null ? '' : sprintf(': %.2f mm at its thinnest, by the model', $then->thinnest_mm),
            )]),
        ];
    }

    /** A heater is never read while it works: what is set on it is all that a hand can see to. */
    public function inMarks(array $facts, array $targets): array
    {
        $set = $facts['heater_set'] ?? null;

        return is_string($set) ? ['heater_c' => $set] : [];
    }

    public function outline(Record $product): ?Outline
    {
        return Outline::of(
            $product->mayNumber('base_diameter_mm'),
            $product->mayNumber('length_mm'),
            $product->mayNumber('width_mm'),
            $product->mayNumber('corner_radius_mm'),
        );
    }

    public function face(Record $product): ?Outline
    {
        return $this->outline($product);
    }

    protected function left(Told $told, array $targets): array
    {
        $good = count($told->judged('good'));
        $trim = (float) ($targets['trim_g'] ?? 0);

        return [
            new Leftover(
                'trim',
                'Trimmed off',
                'offcut',
                round($good * $trim, 1),
                sprintf('%d sheet%s, %.0f g of rim each', $good, $good === 1 ? '' : 's', $trim),
            ),
            self::scrap($told, 'part', (float) ($targets['blank_g'] ?? 0)),
        ];
    }

    /** The library has the sheet's three temperatures as numbers of their own. */
    public function window(Polymer $polymer): ?Range
    {
        $window = $polymer->process('vacuum_forming');

        return $window->has('sheet_normal_c') ? new Range(
            $window->number('sheet_lower_c', $window->number('sheet_normal_c')),
            $window->number('sheet_normal_c'),
            $window->number('sheet_upper_c', $window->number('sheet_normal_c')),
        ) : null;
    }

    /** Three places where the forecast is thinnest, against it and against the least that the product takes. */
    public function inspect(string $entry, Record $values, array $targets, Polymer $polymer): Inspected
    {
        $walls = [$values->number('corner_mm'), $values->number('side_mm'), $values->number('bottom_mm')];
        $least = min($walls);
        $place = ['corner', 'side', 'bottom'][(int) array_search($least, $walls, true)];
        $foretold = (float) ($targets['thinnest_mm'] ?? 0);
        $wanted = $targets['least_wall_mm'] ?? null;
        $thin = is_numeric($wanted) && $least < $wanted;

        return new Inspected('formed_part', null, ['least_mm' => $least], [
            'corner_mm' => $walls[0],
            'side_mm' => $walls[1],
            'bottom_mm' => $walls[2],
            'least_mm' => $least,
            'foretold_mm' => $foretold,
            'verdict' => $thin ? 'too thin' : 'thick enough',
            'says' => $thin
                ? sprintf('%.2f mm at the %s, and %.2f are wanted: heat that zone less, or a thicker sheet.', $least, $place, $wanted)
                : sprintf('Thinnest at the %s, %.2f mm; foretold were %.2f.', $place, $least, $foretold),
        ]);
    }

    public function tellsOfMachine(): string
    {
        return 'corners';
    }

    /** A zone of the heater that is colder or hotter than the others, by the walls at the four corners. */
    public function wears(array $measured, array $facts, array $targets): array
    {
        $count = static fn (string $fact): ?int => is_numeric($facts[$fact] ?? null) ? (int) $facts[$fact] : null;
        $parts = array_map(
            static fn (array $walls): array => array_map(floatval(...), array_filter($walls, is_numeric(...))),
            $measured,
        );

        return array_values(array_filter([HeaterZones::off($parts, $count('zones_across'), $count('zones_along'))]));
    }

    /** On its bed, with the margin of the sheet around it. */
    public function fits(Record $machine, Record $mould, Record $product, ?string $polymer): MouldFit
    {
        $size = static fn (string $name): ?float => $mould->mayNumber($name) ?? $product->mayNumber($name);
        $round = $size('base_diameter_mm');
        [$length, $width] = [$round ?? $size('length_mm'), $round ?? $size('width_mm')];
        $bed = $length === null || $width === null ? null : PlanCheck::bed(
            'bed',
            $mould->text('name'),
            [$length, $width],
            "{$machine->text('name')} takes",
            [$machine->mayNumber('bed_length_mm'), $machine->mayNumber('bed_width_mm')],
        );

        return new MouldFit(
            $bed?->state !== CheckState::Block,
            $bed?->state === CheckState::Block ? [$bed->says] : [],
            $bed === null ? ['bed'] : [],
        );
    }

    /** The pull of each part, from a little before the heater leaves it to when nothing more moves. */
    public function listens(RunState $state): array
    {
        $listens = [];
        foreach ($state->pieces as $number => $piece) {
            if (isset($piece->done['go'])) {
                $at = $piece->done['go']['at'];
                $listens[] = new Listen(
                    $number,
                    'vacuum_kpa',
                    $at - self::PULL_S[0],
                    $at + self::PULL_S[1],
                    $piece->done['heat']['at'] ?? null,
                );
            }
        }

        return $listens;
    }

    public function hears(Listen $on, array $readings, array $facts): ?Heard
    {
        if (count($readings) < self::LEAST_READINGS) {
            return null;
        }
        $first = $readings[0][0];
        $trace = $this->calculations->run('vacuum.trace', [
            'readings' => array_map(
                static fn (array $r): array => ['t_s' => $r[0] - $first, 'kpa_abs' => $r[1]],
                $readings,
            ),
            'atmosphere_kpa' => is_numeric($facts['atmosphere_kpa'] ?? null) ? $facts['atmosphere_kpa'] : 101.325,
            'heater_off_s' => $on->mark === null ? null : $on->mark - $first,
        ]);
        assert($trace instanceof TraceResult);
        $marks = array_filter([
            $trace->seal_s === null ? null : [round($trace->seal_s, 2), 'sealed'],
            $trace->second_stage_s === null ? null : [round($trace->second_stage_s, 2), 'tank'],
        ]);

        return new Heard($on->piece, 'Pull', match ($trace->verdict) {
            TraceVerdict::Sealed => CheckState::Ok,
            TraceVerdict::Leaks => CheckState::Warn,
            TraceVerdict::NoSeal => CheckState::Block,
        }, $trace->explanation, array_values($marks));
    }

    public function levers(): array
    {
        return [
            'sheet_heat_s' => Lever::factor('heat_min', 'heat_factor', 60.0),
            'form_cool_s' => Lever::factor('cool_min', 'cool_factor', 60.0),
            'mould_temp_c' => Lever::same('mould_c', 'mould_c'),
        ];
    }

    public function learns(array $runs, Record $facts): MachineLearnt
    {
        return (new HeaterLearnt($this->calculations))->of($runs, $facts);
    }

    public function learnsFromLog(): bool
    {
        return true;
    }

    public function plant(Job $job, Plan $plan, Polymer $polymer, Dice $truth, Dice $day): Machine
    {
        assert($plan instanceof PlanResult);
        $former = Reader::read(
            FormerFacts::class,
            Reader::known(FormerFacts::class, $job->machine('former')->of ?? []),
        );

        return new Plant(
            $this->calculations,
            $day,
            $polymer->code,
            $plan->values(),
            (array) $plan->targets,
            $former,
            (float) $polymer->property('density_g_cm3'),
            $plan->draw->mean_wall_mm,
            $truth->normal(0.0, 6.0) + $day->normal(0, 9.0),
            max(0.0, $truth->normal(4.0, 2.0) + $day->normal(0, 1.0)),
            max(0.2, $truth->normal(1.5, 0.5)),
        );
    }

    protected function own(Job $job): array
    {
        return [
            'machine' => Reader::known(FormerFacts::class, $job->machine('former')->of ?? []),
            'mould' => self::mould($job, MouldFacts::class),
            'pull_by' => $job->choice('pull_by'),
            'cool_how' => $job->choice('cool_how') ?? CoolHow::Held->value,
        ];
    }
}
