<?php

declare(strict_types=1);

namespace App\Planning\Queries;

use App\Planning\Data\LastDaysData;
use App\Planning\Data\OneMoreData;
use App\Planning\Models\PowerSupply;
use App\Runs\Models\Run;
use App\Runs\Models\RunEvent;
use App\Shop\Models\Machine;
use App\Support\Seconds;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Run\RunState;
use Dithermic\Core\Schedule\OneMore;
use Dithermic\Core\Schedule\PlanResult;
use Dithermic\Core\Schedule\RunJob;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\Cache;

/**
 * What one more machine or pair of hands would have given on the days that the shop really had: the runs of each day with
 * the people who were at them, planned as if all of them were known in the morning, and again with one more.
 */
final readonly class LastDays
{
    public const DAYS = 90;

    private const DAY_S = 86_400;

    /** machines that are asked about: the fullest of these days */
    private const MACHINES = 4;

    private const HANDS = 'hands';

    /** a day this much sooner is told of, min */
    private const WORTH_MIN = 30.0;

    /** of one plan, s; and of all of them: what a screen waits for, less what is read and written */
    private const SECONDS = ['plan' => 0.05, 'all' => 45.0];

    /** what runs into the days after is planned that far, min */
    private const HORIZON_MIN = 7 * 1440.0;

    private const KEPT_S = 86_400;

    public function __construct(private Registry $calculations)
    {
    }

    /** @param  float  $from  beginning of today, s since 1970 UTC; days before begin as it does */
    public function of(float $from): LastDaysData
    {
        $newest = Run::query()->where('status', RunState::FINISHED)->max('ended_at');

        return Cache::remember(
            'one-more '.hash('sha256', "{$from} {$newest}"),
            self::KEPT_S,
            fn (): LastDaysData => $this->planned($from),
        );
    }

    private function planned(float $from): LastDaysData
    {
        $runs = $this->runs($from);
        $days = $this->days($runs);
        $until = microtime(true) + self::SECONDS['all'];
        $asked = [];
        $plain = [];
        $busy = [];
        // A third of the time for the days as they were, the rest for what is tried on them.
        foreach ($days as $day => $ask) {
            if (microtime(true) > $until - self::SECONDS['all'] * 2 / 3) {
                break;
            }
            $plan = $this->plan($ask);
            if ($plan === null) {
                continue;
            }
            [$asked[$day], $plain[$day]] = [$ask, $plan->makespan_min];
            foreach (OneMore::busy($plan->tasks) as $station => $minutes) {
                $busy[$station] = ($busy[$station] ?? 0.0) + $minutes;
            }
        }
        arsort($busy);
        $fullest = array_slice(array_keys($busy), 0, self::MACHINES);
        $sooner = array_fill_keys([...$fullest, self::HANDS], []);
        $tried = 0;
        foreach ($asked as $day => $ask) {
            if (microtime(true) > $until) {
                break;
            }
            $tried++;
            foreach (array_keys($sooner) as $what) {
                $more = $what === self::HANDS ? OneMore::person($ask) : OneMore::station($ask, (string) $what);
                $then = $more === $ask ? null : $this->plan($more);
                // A plan that is found in so short a time may be worse with more to choose from: that is no loss.
                $sooner[$what][] = $then === null ? 0.0 : max(0.0, $plain[$day] - $then->makespan_min);
            }
        }
        $all = max(1.0, array_sum($plain));
        $names = Machine::query()->get()->mapWithKeys(
            static fn (Machine $m): array => [DayAsk::station($m) => $m->name],
        );
        $options = [];
        foreach ($sooner as $what => $minutes) {
            $options[] = new OneMoreData(
                (string) $what,
                $what === self::HANDS ? 'one more pair of hands' : "one more like {$names[$what]}",
                $what === self::HANDS ? null : round(100 * $busy[$what] / $all, 1),
                $minutes === [] ? 0.0 : round(array_sum($minutes) / count($minutes), 1),
                count(array_filter($minutes, static fn (float $min): bool => $min >= self::WORTH_MIN)),
                round(max([0.0, ...$minutes]), 1),
            );
        }
        usort($options, static fn (OneMoreData $a, OneMoreData $b): int => $b->sooner_min <=> $a->sooner_min);

        return new LastDaysData(
            self::DAYS,
            $tried,
            max(1, (int) round(365 / self::DAYS * $runs->count())),
            $options,
        );
    }

    private function plan(mixed $ask): ?PlanResult
    {
        try {
            $plan = $this->calculations->run('schedule.plan', ['time_limit_s' => self::SECONDS['plan']] + (array) $ask);
        } catch (InputError) {
            // A day with more in it than is planned while somebody waits tells nothing here.
            return null;
        }

        return $plan instanceof PlanResult && $plan->impossible === [] ? $plan : null;
    }

    private static function day(Run $run, float $from): int
    {
        return (int) floor((Seconds::of($run->started_at) - $from) / self::DAY_S);
    }

    /** @return Collection<int, Collection<int, Run>> by day, counted from today; the newest first */
    private function runs(float $from): Collection
    {
        return Run::query()->counted()->with(['procedureVersion', 'product', 'stations.machine'])
            ->where('status', RunState::FINISHED)
            ->where('started_at', '>=', Seconds::moment($from - self::DAYS * self::DAY_S))
            ->where('started_at', '<', Seconds::moment($from))
            ->orderByDesc('started_at')->get()->toBase()
            ->groupBy(static fn (Run $run): int => self::day($run, $from));
    }

    /**
     * @param  Collection<int, Collection<int, Run>>  $byDay
     * @return array<int, array<string, mixed>> what schedule.plan is asked, by day; of those with more than one run
     */
    private function days(Collection $byDay): array
    {
        $supply = PowerSupply::query()->orderByDesc('id')->first();
        $days = [];
        foreach ($byDay as $day => $runs) {
            if ($runs->count() < 2) {
                continue;
            }
            $jobs = array_values($runs->map(self::job(...))->all());
            $people = RunEvent::query()->whereIn('run_id', $runs->pluck('id'))->distinct()->pluck('by_id');
            // Whoever lent a hand to what takes two was there, and logged nothing.
            $wanted = max([1, ...array_merge(...array_map(
                static fn (array $job): array => array_column($job['tasks'], 'people'),
                $jobs,
            ))]);
            $machines = $runs->flatMap(static fn (Run $run) => $run->stations->pluck('machine'))->unique('id');
            $days[(int) $day] = [
                'now' => 0.0,
                'horizon_end' => self::HORIZON_MIN,
                'stations' => array_values($machines->map(static fn (Machine $m): array => [
                    'id' => DayAsk::station($m),
                    'kind' => $m->kind,
                    'amps' => DayAsk::amps($m),
                ])->all()),
                'people' => array_map(
                    static fn (int $i): array => ['id' => "p{$i}"],
                    range(1, max($wanted, $people->count())),
                ),
                'jobs' => $jobs,
            ] + ($supply?->amps === null ? [] : ['supply' => ['phases' => $supply->phases, 'amps' => $supply->amps]]);
        }

        return $days;
    }

    /** @return array<string, mixed> a run as it was made, with nothing before it */
    private static function job(Run $run): array
    {
        $stations = [];
        foreach ($run->stations as $station) {
            $stations[$station->role][] = DayAsk::station($station->machine);
        }

        return RunJob::of(
            $run->procedureVersion->procedure(),
            $run->plan,
            max(1, $run->good() + $run->bad()),
            $stations,
            DayAsk::station($run->mainMachine()),
            array_filter([
                'polymer' => $run->polymer,
                'mould' => $run->product->mould_id === null ? null : (string) $run->product->mould_id,
            ]),
            ['id' => "r{$run->number}", 'product' => $run->product->name],
            0.0,
        );
    }
}
