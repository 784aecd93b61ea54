<?php

declare(strict_types=1);

namespace App\Runs\Queries;

use App\Instruments\Support\Calibrations;
use App\Instruments\Support\Offsets;
use App\Runs\Models\Run;
use App\Runs\Models\RunStation;
use App\Support\Seconds;
use Carbon\CarbonInterface;
use Illuminate\Support\Facades\DB;

/**
 * A run's readings: what its machines read while it held them, thinned in SQL to at most POINTS for each channel. Of a
 * stretch that holds no more than that, each one.
 */
final readonly class Trace
{
    private const POINTS = 400;

    public function __construct(private Calibrations $calibrations)
    {
    }

    /**
     * @param  float|null  $from  only what was read from then on, s since 1970 UTC
     * @return array<string, list<array{float, float}>> seconds since 1970 and value, by channel
     */
    public function of(Run $run, ?float $from = null, ?float $to = null): array
    {
        // By station and moment, not by what the instrument thought: a late batch finds its run too.
        $rows = [];
        foreach ($run->stations->whereNotNull('from_at') as $station) {
            array_push($rows, ...$this->read($station, $from, $to));
        }
        $offsets = $this->calibrations->ofMachines(array_values(array_unique(array_column($rows, 'machine_id'))));
        $channels = [];
        foreach ($rows as $row) {
            $offset = ($offsets[$row->machine_id][$row->channel] ?? new Offsets)->at((float) $row->t);
            $channels[$row->name][] = [(float) $row->t, round((float) $row->v + $offset, 2)];
        }

        ksort($channels);

        return $channels;
    }

    /**
     * Station by station, between two moments that are known before: the months beside them are not even looked at.
     * What was thinned since is read by the minute, each in its middle.
     *
     * @return list<object{name: string, machine_id: int, channel: string, t: string, v: string}>
     */
    private function read(RunStation $station, ?float $from, ?float $to): array
    {
        $moment = static fn (?CarbonInterface $at): string => $at?->format('Y-m-d H:i:s.vP') ?? 'infinity';
        $begins = max([$station->from_at, $from === null ? null : Seconds::moment($from)]);
        $ends = array_filter([$station->to_at, $to === null ? null : Seconds::moment($to)]);
        $where = [$station->machine_id, $moment($begins), $moment($ends === [] ? null : min($ends))];

        /** @var list<object{name: string, machine_id: int, channel: string, t: string, v: string}> */
        return DB::select(
            "with known as (
                select machine_id, channel, at + interval '30 s' as at, mean as value, n
                from reading_minutes where machine_id = ? and at >= date_trunc('minute', ?::timestamptz) and at <= ?
                union all
                select machine_id, channel, at, value, 1 from readings where machine_id = ? and at >= ? and at <= ?),
            numbered as (select *, ntile(?) over (partition by channel order by at) as bucket from known)
            select ?::text || channel as name, machine_id, channel,
                extract(epoch from avg(at - to_timestamp(0))) as t, sum(value * n) / sum(n) as v
            from numbered group by machine_id, channel, bucket order by channel, bucket",
            [...$where, ...$where, self::POINTS, $station->position === 0 ? '' : "{$station->role}_"],
        );
    }
}
