<?php

declare(strict_types=1);

namespace App\Runs\Queries;

use App\Runs\Data\RackStripData;
use App\Runs\Models\Run;
use App\Runs\Models\RunOutput;
use App\Runs\Support\OutputKind;
use App\Support\Seconds;
use Dithermic\Core\Heat\Barrel\StripAge;
use Dithermic\Core\Run\Thread;

/** Hot strips that wait: of the run that cuts them, or of the one that the lot of a run comes from. Oldest first. */
final readonly class Rack
{
    private const TIMER = 'rack';

    /** @return list<RackStripData> */
    public function of(Run $run): array
    {
        $maker = isset($run->plan['keep_min']) ? $run : $this->maker($run);
        $ages = array_map(static fn (array $a): StripAge => new StripAge(
            (float) $a['age_s'],
            (float) $a['core_c'],
            (float) $a['mean_c'],
            (float) $a['soak_min'],
        ), array_values($maker->setup['strips'] ?? []));
        if ($maker === null || $ages === []) {
            return [];
        }
        $now = Seconds::now();
        $strips = [];
        foreach ($maker->state()->pieces as $piece) {
            $timer = $piece->timers[self::TIMER] ?? null;
            if ($timer === null || $piece->outcome !== Thread::OPEN) {
                continue;
            }
            $at = StripAge::at($ages, max(0.0, $now - $timer['started_at']));
            $strips[] = new RackStripData(
                $maker->id,
                (int) $piece->piece,
                $timer['started_at'],
                $timer['ends_at'],
                (float) $maker->plan['charge_mass_g'],
                (float) $maker->plan['length_mm'],
                round($at->core_c, 1),
                round($at->soak_min, 1),
                $now < $timer['ends_at'],
            );
        }
        usort($strips, static fn (RackStripData $a, RackStripData $b): int => $a->cut_at <=> $b->cut_at);

        return $strips;
    }

    /** The run that the lot of a run came out of; null where it came from elsewhere. */
    private function maker(Run $run): ?Run
    {
        $output = RunOutput::query()->where('lot_id', $run->mainLot()->id)->where('kind', OutputKind::Lot)->orderBy('id')->first();

        return $output === null
            ? null
            : Run::query()->with(['events.by', 'procedureVersion', 'product'])->find($output->run_id);
    }
}
