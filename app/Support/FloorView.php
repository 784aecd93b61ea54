<?php

declare(strict_types=1);

namespace App\Support;

use App\Data\FloorData;
use App\Data\HandData;
use App\Data\LaneData;
use App\Data\StageData;
use App\Data\StretchData;
use App\Http\Controllers\RunController;
use App\Models\Charge;
use App\Models\Drying;
use App\Models\Lot;
use App\Models\Machine;
use App\Models\Run;
use App\Models\Source;
use Carbon\CarbonImmutable;
use Dithermic\Core\Run\RunState;
use Dithermic\Core\Safety\SourceState;
use Illuminate\Database\Eloquent\Collection;

/** Every machine with its past and its coming, and one list of what needs hands next across all of them. */
final readonly class FloorView
{
    /** how far back a finished run still shows on its lane */
    private const LOOK_BACK_MIN = 90;

    public function __construct(private Present $present, private Places $places)
    {
    }

    public function __invoke(): FloorData
    {
        $now = Present::now();
        /** @var Collection<int, Run> $runs */
        $runs = Run::query()->with(RunController::WHOLE)
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
        $measured = [];
        foreach ($runs as $run) {
            $state = $run->state();
            $machine = $run->machineOfState();
            $parts = $machine->stretches($state, $now);
            $hotUntil = max([
                0.0,
                ...array_map(static fn (array $s): float => $s['place'] === 'hot' ? $s['from'] : 0.0, $parts),
            ]);
            foreach ($parts as $s) {
                $place = $s['place'] === 'cold' && $run->cold_machine_id !== null
                    ? $run->cold_machine_id
                    : ($s['place'] === 'bench' ? null : $run->machine_id);
                // Work at the bench before the heat belongs to the lane of the hot press, which waits for it.
                if ($place !== null || ($s['phase'] === 'coming' && $s['from'] < $hotUntil)) {
                    $stretches[$place ?? $run->machine_id][] = new StretchData(
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
                $inCold = $machine->procedure->step((string) $state->step)->place ?? '';
                $running[$inCold === 'cold' && $run->cold_machine_id !== null ? $run->cold_machine_id : $run->machine_id] = [
                    $run,
                    $state,
                ];
                $hands = [...$hands, ...$this->present->hands($run, $state)];
                $platen = $state->latest('platen');
                $measured[$run->machine_id] = $platen === null
                    ? null
                    : min((float) $platen['top_c'], (float) $platen['low_c']);
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
                Present::time($d->ready_at),
                'Take it out',
                'It is dry; it takes up water again from now on.',
                'dry',
                null,
                null,
                'dry',
                1,
            );
        }
        usort($hands, static fn (HandData $a, HandData $b): int => $a->at <=> $b->at);

        $lanes = [];
        foreach (Machine::query()->orderBy('id')->get() as $machine) {
            [$run, $state] = $running[$machine->id] ?? [null, null];
            $hot = $machine->kind === Machine::HOT_PRESS;
            $lanes[] = new LaneData(
                $machine->id,
                $machine->name,
                $machine->kind,
                $run !== null
                    ? "{$run->product->name}, run {$run->number}"
                    : (isset($drying[$machine->id]) ? implode(', ', $drying[$machine->id]) : 'free'),
                $run?->id,
                $run?->lot->polymer,
                $run !== null && $hot ? (float) $run->plan['platen_c'] : null,
                $measured[$machine->id] ?? null,
                $run !== null && $hot ? $this->present->marks($run->lot->polymer) : null,
                $stretches[$machine->id] ?? [],
                array_values(array_filter(
                    $hands,
                    static fn (HandData $h): bool => $h->machine === $machine->name && $h->at > $now,
                )),
            );
        }

        return new FloorData($now, $this->stages($runs), $lanes, $hands);
    }

    /** @param  Collection<int, Run>  $open */
    private static function where(Collection $open): string
    {
        $hot = $open->filter(
            static fn (Run $r): bool => in_array($r->step, ['slide_in', 'heat', 'transfer'], true),
        )->count();
        $cold = $open->filter(static fn (Run $r): bool => in_array($r->step, ['pressure_on', 'cool'], true))->count();
        $before = $open->count() - $hot - $cold - $open->filter(
            static fn (Run $r): bool => in_array($r->step, ['open', 'check', 'decide'], true),
        )->count();

        return implode(
            ' · ',
            array_filter([
                $hot > 0 ? "{$hot} hot" : '',
                $cold > 0 ? "{$cold} cooling" : '',
                $before > 0 ? "{$before} at the bench" : '',
            ]),
        )
            ?: 'being finished';
    }

    /**
     * @param  Collection<int, Run>  $runs
     * @return list<StageData>
     */
    private function stages(Collection $runs): array
    {
        $open = $runs->where('status', RunState::RUNNING);
        $check = $open->filter(static fn (Run $r): bool => in_array($r->step, ['check', 'decide'], true));
        $trial = Source::query()->where('state', '!=', SourceState::Accepted)->count();
        $free = Machine::query()->where('kind', Machine::HOT_PRESS)
            ->get()
            ->filter(fn (Machine $m): bool => $this->places->holder($m) === null)
            ->count();
        /** @var object{n: int, bad: int} $today */
        $today = Run::query()->where('ended_at', '>=', CarbonImmutable::today())
            ->whereNotNull('verdict')
            ->selectRaw("count(*) as n, count(*) filter (where verdict = 'scrap') as bad")
            ->toBase()
            ->first();

        $weighing = Charge::query()->where('status', Charge::WEIGHING)->count();

        return [
            new StageData(
                'sort',
                Lot::query()->count(),
                $trial === 1 ? '1 source on trial' : "{$trial} sources on trial",
            ),
            new StageData(
                'weigh',
                Charge::query()->where('status', Charge::WAITING)->count(),
                $weighing > 0 ? "{$weighing} at the scale" : 'charges wait',
            ),
            new StageData('set', max(0, $free), $free > 0 ? 'press free' : 'press taken'),
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
            new StageData('learn', (int) $today->n, $today->bad > 0 ? "{$today->bad} scrap today" : 'runs ended today'),
        ];
    }
}
