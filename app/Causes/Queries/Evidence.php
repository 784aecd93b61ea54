<?php

declare(strict_types=1);

namespace App\Causes\Queries;

use App\Instruments\Models\Alarm;
use App\Material\Models\Act;
use App\Material\Models\ContaminationNote;
use App\Material\Models\Lot;
use App\Material\Queries\Dryness;
use App\Material\Support\ActKind;
use App\Runs\Models\Piece;
use App\Runs\Models\Run;
use App\Runs\Models\RunMaterial;
use Dithermic\Core\Diagnosis\KnownSignal;
use Dithermic\Core\Diagnosis\UsedLot;
use Dithermic\Core\Diagnosis\Witness;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Process\Processes;
use Illuminate\Database\Eloquent\Builder;

/** What the shop's own records tell of a bad piece, put before the core. */
final readonly class Evidence
{
    /** what a mould's facts call how long it lives, by process */
    private const LIVES = ['life_shots', 'life_fills', 'life_parts'];

    public function __construct(
        private Processes $processes,
        private PolymerLibrary $polymers,
        private Dryness $dryness,
        private FlawMaps $flaws,
    ) {
    }

    /** @return list<KnownSignal> */
    public function of(Run $run, ?int $piece): array
    {
        $process = $this->processes->get($run->product->process);
        $witness = new Witness(
            $run->procedureVersion->procedure(),
            $run->state(),
            $piece,
            $run->plan,
            $this->polymers->get($run->polymer),
            array_values($run->materials->map(fn (RunMaterial $m): UsedLot => $this->lot($m->lot, $run))->all()),
            $this->masses($run, $piece),
            $this->bad($run),
            $this->polymerBefore($run),
            $this->mould($run),
            array_values(Alarm::query()
                ->where('run_id', $run->id)
                ->whereHas('channel', static fn (Builder $channel) => $channel->where('unit', '°C'))
                ->get()
                ->map(static fn (Alarm $a): string => $a->kind->value)
                ->unique()
                ->all()),
            $this->flaws->about($run, $piece),
        );

        return [...$witness->tells(), ...$process->evidence($witness)];
    }

    private function lot(Lot $lot, Run $run): UsedLot
    {
        $state = $this->dryness->state($lot, $run->started_at);
        $found = ContaminationNote::standing($lot->id) !== [];
        $tested = Act::query()->where('kind', ActKind::Identified)->where('data->lot_id', $lot->id)->exists();

        return new UsedLot(
            $lot->code,
            $state->isKnown() ? $state->isDry() : null,
            $lot->dried_at !== null,
            $found ? false : ($tested ? true : null),
            $lot->generation,
        );
    }

    /** @return array<int, float> g, by number of the piece, up to the bad one */
    private function masses(Run $run, ?int $piece): array
    {
        $masses = [];
        foreach ($run->inspections as $check) {
            if ($check->mass_g !== null && $check->piece !== null && ($piece === null || $check->piece <= $piece)) {
                $masses[$check->piece] = $check->mass_g;
            }
        }
        ksort($masses);

        return $masses;
    }

    /** @return array<int, bool> by number of the piece, of those that were judged */
    private function bad(Run $run): array
    {
        return $run->pieces->filter(static fn (Piece $p): bool => $p->verdict !== null)
            ->mapWithKeys(static fn (Piece $p): array => [$p->number => $p->verdict === 'scrap'])
            ->sortKeys()
            ->all();
    }

    private function polymerBefore(Run $run): ?string
    {
        $machine = $run->mainMachine()->id;

        return Run::query()
            ->where('number', '<', $run->number)
            ->whereHas('stations', static fn ($s) => $s->where('machine_id', $machine))
            ->orderByDesc('number')
            ->value('polymer');
    }

    /** @return array{made: int, life: float}|null */
    private function mould(Run $run): ?array
    {
        foreach ($run->stations as $station) {
            foreach (self::LIVES as $name) {
                $life = $station->machine->fact($name);
                if ($life !== null) {
                    return ['made' => $station->machine->made(), 'life' => $life];
                }
            }
        }

        return null;
    }
}
