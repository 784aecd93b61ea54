<?php

declare(strict_types=1);

namespace App\Runs\Queries;

use App\Instruments\Support\Calibrations;
use App\Instruments\Support\Offsets;
use App\Runs\Models\Run;
use Illuminate\Support\Facades\DB;

/** A run's readings: what its machines read while it held them, thinned in SQL to at most POINTS for each channel. */
final readonly class Trace
{
    private const POINTS = 400;

    public function __construct(private Calibrations $calibrations)
    {
    }

    /** @return array<string, list<array{float, float}>> seconds since 1970 and value, by channel */
    public function of(Run $run): array
    {
        // By station and moment, not by what the instrument thought: a late batch finds its run too.
        $rows = DB::select("with numbered as (
                select case when s.position = 0 then r.channel else s.role || '_' || r.channel end as name,
                    r.machine_id, r.channel, r.at, r.value,
                    ntile(?) over (partition by s.id, r.channel order by r.at) as bucket
                from run_stations s join readings r on r.machine_id = s.machine_id and r.at >= s.from_at and r.at <= coalesce(s.to_at, 'infinity')
                where s.run_id = ?)
            select name, machine_id, channel, extract(epoch from avg(at - to_timestamp(0))) as t, avg(value) as v
            from numbered group by name, machine_id, channel, bucket order by name, bucket",
            [self::POINTS, $run->id]);
        $offsets = $this->calibrations->ofMachines(array_values(array_unique(array_column($rows, 'machine_id'))));
        $channels = [];
        foreach ($rows as $row) {
            $offset = ($offsets[$row->machine_id][$row->channel] ?? new Offsets)->at((float) $row->t);
            $channels[$row->name][] = [(float) $row->t, round((float) $row->v + $offset, 2)];
        }

        return $channels;
    }
}
