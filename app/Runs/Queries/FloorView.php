<?php

declare(strict_types=1);

namespace App\Runs\Queries;

use App\Instruments\Queries\Alarms;
use App\Instruments\Queries\ReadNow;
use App\Material\Models\Charge;
use App\Material\Models\Drying;
use App\Material\Models\Lot;
use App\Material\Models\Source;
use App\Material\Support\ChargeState;
use App\Planning\Queries\AtWork;
use App\Runs\Data\BreakData;
use App\Runs\Data\FloorData;
use App\Runs\Data\HandData;
use App\Runs\Data\LaneData;
use App\Runs\Data\StageData;
use App\Runs\Data\StretchData;
use App\Runs\Http\RunController;
use App\Runs\Models\Run;
use App\Runs\Models\RunStation;
use App\Shop\Models\Machine;
use App\Shop\Queries\PresentShop;
use App\Support\Seconds;
use App\Support\ShopClock;
use Carbon\CarbonImmutable;
use Dithermic\Core\Process\Definition;
use Dithermic\Core\Process\MachineKind;
use Dithermic\Core\Process\Processes;
use Dithermic\Core\Run\Hand;
use Dithermic\Core\Run\Place;
use Dithermic\Core\Run\Procedure;
use Dithermic\Core\Run\RunState;
use Dithermic\Core\Run\Wait;
use Dithermic\Core\Run\Whose;
use Dithermic\Core\Safety\SourceState;
use Illuminate\Database\Eloquent\Collection;

/** Every machine with its past and its coming, and one list of what needs hands next across all of them. */
final readonly class FloorView
{
    /** how far back a finished run still shows on its lane */
    private const LOOK_BACK_MIN = 90;

    /** entries of each run that tell who is at work */
    private const LATELY = 60;

    public function __construct(
        private PresentRun $presentRun,
        private PresentShop $presentShop,
        private Processes $processes,
        private Alarms $alarms,
        private ReadNow $read,
        private AtWork $atWork,
        private ShopClock $clock,
    ) {
    }

    public function __invoke(): FloorData
    {
        $now = Seconds::now();
        /** @var Collection<int, Run> $runs */
        $runs = Run::query()->counted()->with(RunController::WHOLE)
            ->where(
                static fn ($q) => $q->where('status', RunState::RUNNING)->orWhere(
                    'ended_at',
                    '>',
                    CarbonImmutable::now()->subMinutes(self::LOOK_BACK_MIN),
                ),
            )
            ->orderBy('started_at')->limit(60)->get();
        $hands = [];
        $stretches = [];
        $running = [];
        $still = [];
        $measured = [];
        $follow = [];
        foreach ($runs as $run) {
            $state = $run->state();
            $machine = $run->machineOfState();
            $main = $run->mainMachine();
            $heats = self::places($machine->procedure, 'in');
            $parts = $machine->stretches($state, $now);
            $hotUntil = max([0.0, ...array_map(
                static fn (array $s): float => in_array($s['place'], $heats, true) ? $s['from'] : 0.0,
                $parts,
            )]);
            foreach ($parts as $s) {
                $place = $run->machineAs($s['place']);
                // Work at the bench before the heat belongs to the lane of the machine that waits for it.
                if ($place !== null || ($s['phase'] === 'coming' && $s['from'] < $hotUntil)) {
                    $stretches[$place->id ?? $main->id][] = new StretchData(
                        $run->id,
                        $run->number,
                        $s['step'],
                        $s['title'],
                        $place === null ? 'hands' : $s['kind'],
                        $s['from'],
                        $s['to'],
                        $s['phase'],
                    );
                }
            }
            if ($state->status === RunState::RUNNING) {
                foreach ($run->stations as $station) {
                    if ($station->from_at !== null && $station->to_at === null) {
                        $running[$station->machine_id] = [$run, $station->position === 0];
                        $break = $state->stands();
                        $still[$station->machine_id] = $break === null ? null : BreakData::of($break);
                    }
                }
                $hands = [...$hands, ...$this->presentRun->hands($run, $state)];
                $measured[$main->id] = $machine->measured($state);
                $follow[$main->id] = $this->processes->get($run->product->process)->setPoint();
            }
        }
        $drying = [];
        foreach (Drying::query()->with(['machine', 'lot'])->whereNull('out_at')->orderBy('ready_at')->get() as $d) {
            $drying[$d->machine_id][] = "{$d->lot->polymer} {$d->lot->code}";
            $hands[] = new HandData(
                '/dry',
                null,
                null,
                "{$d->lot->polymer}, lot {$d->lot->code}",
                $d->machine->name,
                Seconds::of($d->ready_at),
                'Take it out',
                'It is dry; it takes up water again from now on.',
                'dry',
                null,
                null,
                'dry',
                1,
                null,
                Wait::Bench->weight(),
                Wait::Bench->value,
                1.0,
                null,
            );
        }
        // What an instrument reads goes before what somebody logged.
        $measured = $this->read->of($follow) + $measured;
        $turn = static fn (HandData $h): array => Hand::turn($h->at, $h->presses, $now);
        usort($hands, static fn (HandData $a, HandData $b): int => $turn($a) <=> $turn($b));
        $hands = $this->shared($hands, $runs, $now);

        $lanes = [];
        $moulds = array_filter($this->processes->machineKinds(), static fn (MachineKind $k): bool => $k->isMould);
        $standing = Machine::query()->whereNull('retired_at')->whereNotIn('kind', array_keys($moulds));
        foreach ($standing->orderBy('id')->get() as $machine) {
            [$run, $isMain] = $running[$machine->id] ?? [null, false];
            $process = $run === null ? null : $this->processes->get($run->product->process);
            $lanes[] = new LaneData(
                $machine->id,
                $machine->name,
                $machine->kind,
                $this->works($machine->kind),
                $run !== null
                    ? "{$run->product->name}, run {$run->number}"
                    : (isset($drying[$machine->id]) ? implode(', ', $drying[$machine->id]) : 'free'),
                $run?->id,
                $still[$machine->id] ?? null,
                $run?->polymer,
                $isMain ? $run?->set_c : null,
                $measured[$machine->id] ?? null,
                $run !== null && $isMain ? $this->presentShop->marks($run->polymer, $process) : null,
                $stretches[$machine->id] ?? [],
                array_values(array_filter(
                    $hands,
                    static fn (HandData $h): bool => $h->machine === $machine->name && $h->at > $now,
                )),
            );
        }

        return new FloorData($now, $this->stages($runs), $lanes, $hands, $this->alarms->open());
    }

    /**
     * Each with whose hands it wants, of those who are here.
     *
     * @param  list<HandData>  $hands  in their turn
     * @param  Collection<int, Run>  $runs
     * @return list<HandData>
     */
    private function shared(array $hands, Collection $runs, float $now): array
    {
        $calls = array_map(static fn (HandData $h): array => [
            'at' => $h->at,
            'minutes' => $h->minutes,
            'people' => $h->people,
            'by' => $h->by,
        ], $hands);
        $lately = $runs->flatMap(static fn (Run $run): Collection => $run->events->take(-self::LATELY));
        $whose = Whose::of($calls, $this->atWork->names($lately, $now), $now);

        return array_map(static fn (HandData $h, array $names): HandData => $h->for($names), $hands, $whose);
    }

    /** Whether runs are made on a kind of machine, come to it, or neither. */
    private function works(string $kind): string
    {
        foreach ($this->processes->all() as $process) {
            if ($process->main()->takes($kind)) {
                return 'main';
            }
        }

        return $this->processes->takes($kind) ? 'place' : 'beside';
    }

    /** @return list<string> ids of the places where heat goes in, or out */
    private static function places(Procedure $procedure, string $heat): array
    {
        return array_values(array_map(
            static fn (Place $p): string => $p->id,
            array_filter($procedure->places(), static fn (Place $p): bool => $p->heat === $heat),
        ));
    }

    /** @param  Collection<int, Run>  $open */
    private static function where(Collection $open): string
    {
        $count = ['in' => 0, 'out' => 0, 'none' => 0, 'pieces' => 0];
        foreach ($open as $run) {
            $procedure = $run->procedureVersion->procedure();
            $step = $procedure->step((string) $run->step);
            $count[$step === null ? 'pieces' : $procedure->place($step->place)->heat ?? 'none']++;
        }

        return implode(' · ', array_filter([
            $count['in'] > 0 ? "{$count['in']} hot" : '',
            $count['out'] > 0 ? "{$count['out']} cooling" : '',
            $count['pieces'] > 0 ? "{$count['pieces']} making" : '',
            $count['none'] > 0 ? "{$count['none']} at the bench" : '',
        ])) ?: 'being finished';
    }

    /**
     * @param  Collection<int, Run>  $runs
     * @return list<StageData>
     */
    private function stages(Collection $runs): array
    {
        $open = $runs->where('status', RunState::RUNNING);
        $check = $open->filter(
            static fn (Run $r): bool => $r->procedureVersion->procedure()->looks((string) $r->step),
        );
        $trial = Source::query()->where('state', '!=', SourceState::Accepted)->count();
        $mains = array_merge(...array_map(
            static fn (Definition $p): array => $p->main()->kinds,
            $this->processes->all(),
        ));
        $ours = Machine::query()->whereIn('kind', $mains)->whereNull('retired_at')->pluck('id');
        $taken = RunStation::query()->whereNotNull('from_at')->whereNull('to_at')->pluck('machine_id');
        $free = $ours->diff($taken)->count();
        /** @var object{n: int, bad: int} $today */
        $today = Run::query()->where('ended_at', '>=', $this->clock->today()->utc())
            ->whereNotNull('verdict')
            ->selectRaw("count(*) as n, count(*) filter (where verdict = 'scrap') as bad")
            ->toBase()
            ->first();

        $weighing = Charge::query()->where('status', ChargeState::Weighing)->count();

        return [
            new StageData(
                'sort',
                Lot::query()->count(),
                $trial === 1 ? '1 source on trial' : "{$trial} sources on trial",
            ),
            new StageData(
                'weigh',
                Charge::query()->where('status', ChargeState::Waiting)->count(),
                $weighing > 0 ? "{$weighing} at the scale" : 'charges wait',
            ),
            new StageData('set', $free, match (true) {
                $ours->isEmpty() => 'no machine yet',
                $free === 0 => 'all taken',
                default => $free === 1 ? 'machine free' : 'machines free',
            }),
            new StageData(
                'run',
                $open->count() - $check->count(),
                $open->isEmpty() ? 'nothing running' : self::where($open),
            ),
            new StageData(
                'check',
                $check->count(),
                $check->isEmpty() ? 'nothing waits' : 'oldest run '.$check->first()->number,
            ),
            new StageData('learn', (int) $today->n, $today->bad > 0 ? "{$today->bad} scrap today" : 'ended today'),
        ];
    }
}
