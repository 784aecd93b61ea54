<?php

declare(strict_types=1);

namespace App\Runs\Queries;

use App\Runs\Data\RackStripData;
use App\Runs\Models\Run;
use App\Runs\Models\RunOutput;
use App\Runs\Support\OutputKind;
use App\Support\Seconds;
use Dithermic\Core\Process\OnRack;
use Dithermic\Core\Process\Processes;

/** Hot strips that wait: of the run that cuts them, or of the one that the lot of a run comes from. */
final readonly class Rack
{
    public function __construct(private Processes $processes)
    {
    }

    /** @return list<RackStripData> */
    public function of(Run $run): array
    {
        $own = $this->on($run);
        $maker = $own === [] ? $this->maker($run) : $run;

        return $maker === null ? [] : array_map(
            static fn (OnRack $strip): RackStripData => RackStripData::of($maker->id, $strip),
            $maker === $run ? $own : $this->on($maker),
        );
    }

    /** @return list<OnRack> */
    public function on(Run $run): array
    {
        return $this->processes
            ->get($run->product->process)
            ->rack($run->state(), $run->plan, $run->setup, Seconds::now());
    }

    /** The run that the lot came out of that a run is fed from now; null where it came from elsewhere. */
    public function maker(Run $run): ?Run
    {
        $output = RunOutput::query()->where('lot_id', $run->materialAt(Seconds::now(), $run->state())->lot_id)
            ->where('kind', OutputKind::Lot)->orderBy('id')->first();

        return $output === null
            ? null
            : Run::query()->with(['events.by', 'procedureVersion', 'product'])->find($output->run_id);
    }
}
