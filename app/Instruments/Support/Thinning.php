<?php

declare(strict_types=1);

namespace App\Instruments\Support;

use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/**
 * Readings of long ago are kept by the minute: how many there were, their mean, the lowest and the highest. A month is
 * thinned as a whole, in one transaction: it is there in full, or by the minute, and never neither.
 */
final class Thinning
{
    /** readings come up to ninety days late: those months must be able to take them */
    public const LEAST_MONTHS = 4;

    /**
     * By who owns the tables.
     *
     * @return list<string> the months that were thinned
     */
    public function keepInFull(int $months): array
    {
        $before = CarbonImmutable::now('UTC')->startOfMonth()->subMonthsNoOverflow(max(self::LEAST_MONTHS, $months));
        $thinned = [];
        /** @var list<object{name: string}> $parts */
        $parts = DB::select("select c.relname as name from pg_inherits i join pg_class c on c.oid = i.inhrelid
            where i.inhparent = 'readings'::regclass and c.relname ~ '^readings_[0-9]{4}_[0-9]{2}$' and c.relname < ? order by 1", [
            'readings_'.$before->format('Y_m'),
        ]);
        foreach ($parts as $part) {
            DB::transaction(static fn () => self::thin($part->name));
            $thinned[] = str_replace('_', '-', substr($part->name, strlen('readings_')));
        }

        return $thinned;
    }

    private static function thin(string $part): void
    {
        DB::statement("lock table {$part} in access exclusive mode");
        DB::statement("insert into reading_minutes (machine_id, channel, at, n, mean, low, high)
            select machine_id, channel, date_trunc('minute', at), count(*), avg(value), min(value), max(value)
            from {$part} group by 1, 2, 3");
        DB::statement("alter table readings detach partition {$part}");
        DB::statement("drop table {$part}");
    }
}
