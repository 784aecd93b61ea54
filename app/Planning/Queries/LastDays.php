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
use Dithermic\Core\Schedule\OneMoreGives;
use Dithermic\Core\Schedule\PlanResult;
use Dithermic\Core\Schedule\RunJob;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\Cache;

/**
 * What one more machine or pair of hands would have given on the days that the shop really had: the runs of each day
 * with the people who were at them, planned as if all of them were known in the morning, and again with one more.
 */
final readonly class LastDays
{
    public const DAYS = 90;

    private const DAY_S = 86_400;

    /** of one plan, s */
    private const PLAN_S = 0.05;

    /** what runs into the days after is planned that far, min */
    private const HORIZON_MIN = 7 * 1440.0;

    /** kept so long; where there was not time for all days, until the shop may have less to do */
    private const KEPT_S = ['all' => 86_400, 'some' => 600];

    /** @param  float  $seconds  for all plans, which is what a screen waits for, less what is read and written */
    public function __construct(private Registry $calculations, private float $seconds = 45.0)
    {
    }

    /** @param  float  $from  beginning of today, s since 1970 UTC; days before begin as it does */
    public function of(float $from): LastDaysData
    {
        $newest = Run::query()->where('status', RunState::FINISHED)->max('ended_at');

        $key = 'last-days '.hash('sha256', "{$from} {$newest}");
        $known = Cache::get($key);
        if ($known instanceof LastDaysData) {
            return $known;
        }
        $planned = $this->planned($from);
        Cache::put($key, $planned, self::KEPT_S[$planned->worked < $planned->made ? 'some' : 'all']);

        return $planned;
    }

    private function planned(float $from): LastDaysData
    {
        $runs = $this->runs($from);
        $days = $this->days($runs);
        $began = microtime(true);
        [$tried, $gives] = OneMore::onDays(
            $days,
            $this->plan(...),
            fn (float $share): bool => microtime(true) - $began < $share * $this->seconds,
        );
        $names = Machine::query()->get()->mapWithKeys(
            static fn (Machine $m): array => [DayAsk::station($m) => "one more like {$m->name}"],
        );

        return new LastDaysData(
            self::DAYS,
            count($days),
            $tried,
            max(1, (int) round(365 / self::DAYS * $runs->count())),
            array_map(static fn (OneMoreGives $one): OneMoreData => new OneMoreData(
                $one->of,
                $names[$one->of] ?? 'one more pair of hands',
                $one->busyPct === null ? null : round($one->busyPct, 1),
                round($one->soonerMin, 1),
                $one->days,
                round($one->mostMin, 1),
            ), $gives),
        );
    }

    /** @param  array<string, mixed>  $asked */
    private function plan(array $asked): ?PlanResult
    {
        try {
            $plan = $this->calculations->run('schedule.plan', ['time_limit_s' => self::PLAN_S] + $asked);
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
     * @return list<array<string, mixed>> what schedule.plan is asked, of days with more than one run
     */
    private function days(Collection $byDay): array
    {
        $supply = DayAsk::supply(PowerSupply::query()->orderByDesc('id')->first());
        $byDay = $byDay->filter(static fn (Collection $runs): bool => $runs->count() > 1);
        $by = $this->people($byDay->flatten(1)->pluck('id'));
        $days = [];
        foreach ($byDay as $runs) {
            $jobs = array_values($runs->map(self::job(...))->all());
            $people = array_unique(array_merge(...$runs->map(
                static fn (Run $run): array => $by[$run->id] ?? [],
            )->all()));
            // Whoever lent a hand to what takes two was there, and logged nothing.
            $wanted = max([1, ...array_merge(...array_map(
                static fn (array $job): array => array_column($job['tasks'], 'people'),
                $jobs,
            ))]);
            $machines = $runs->flatMap(static fn (Run $run) => $run->stations->pluck('machine'))->unique('id');
            $days[] = [
                'now' => 0.0,
                'horizon_end' => self::HORIZON_MIN,
                'stations' => array_values($machines->map(static fn (Machine $m): array => [
                    'id' => DayAsk::station($m),
                    'kind' => $m->kind,
                    'amps' => DayAsk::amps($m),
                ])->all()),
                'people' => array_map(
                    static fn (int $i): array => ['id' => "p{$i}"],
                    range(1, max($wanted, count($people))),
                ),
                'jobs' => $jobs,
            ] + $supply;
        }

        return $days;
    }

    /**
     * @param  Collection<int, string>  $runs
     * @return array<string, list<int>> who was at each, by run
     */
    private function people(Collection $runs): array
    {
        $by = [];
        foreach (RunEvent::query()->whereIn('run_id', $runs)->distinct()->toBase()->get(['run_id', 'by_id']) as $row) {
            $by[(string) $row->run_id][] = (int) $row->by_id;
        }

        return $by;
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
            DayAsk::setup($run->product, $run->polymer),
            ['id' => "r{$run->number}", 'product' => $run->product->name],
            0.0,
        );
    }
}
