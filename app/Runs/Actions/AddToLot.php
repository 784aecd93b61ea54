<?php

declare(strict_types=1);

namespace App\Runs\Actions;

use App\Material\Models\Lot;
use App\Material\Models\LotMovement;
use App\Material\Support\MovementKind;
use App\People\Models\User;
use App\Runs\Models\Inspection;
use App\Runs\Models\Run;
use App\Runs\Models\RunOutput;
use App\Runs\Support\LotOfRun;
use App\Runs\Support\OutputKind;
use App\Support\Seconds;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Run\Event;

/** A good piece that is material again goes into the one lot of its run; a verdict that is put right takes it back. */
final readonly class AddToLot
{
    public function __construct(private LotOfRun $lots)
    {
    }

    /** @throws InputError where it is taken back and somebody has used it already */
    public function __invoke(Run $run, Event $event, User $by, string $form, int $count, ?int $piece): void
    {
        $made = RunOutput::query()->where('run_id', $run->id)->where('kind', OutputKind::Lot)
            ->whereHas('lot', static fn ($lot) => $lot->where('form', $form))->orderBy('id')->first();
        $lot = $made === null
            ? $this->lots->open($run, $form, '')
            : Lot::query()->whereKey($made->lot_id)->lockForUpdate()->firstOrFail();
        $grams = round($count * $this->mass($run, $piece), 3);
        if ($grams < 0 && (float) LotMovement::query()->where('lot_id', $lot->id)->sum('mass_g') + $grams < -0.001) {
            throw new InputError('data.values.verdict', "is of what lot {$lot->code} holds no more: it has been used");
        }
        LotMovement::query()->create([
            'lot_id' => $lot->id,
            'mass_g' => $grams,
            'kind' => $grams < 0 ? MovementKind::Corrected : MovementKind::Made,
            'reason' => $event->text('reason') ?? "run {$run->number}",
            'run_id' => $run->id,
            'event_key' => $event->key,
            'by_id' => $by->id,
            'at' => Seconds::moment($event->at),
        ]);
        if ($grams > 0) {
            $run->outputs()->create([
                'kind' => OutputKind::Lot,
                'lot_id' => $lot->id,
                'count' => 1,
                'mass_g' => $grams,
                'event_key' => $event->key,
                'at' => Seconds::moment($event->at),
            ]);
        }
    }

    /** As it was weighed, else as it was planned, g. */
    private function mass(Run $run, ?int $piece): float
    {
        $weighed = Inspection::query()->where('run_id', $run->id)->where('piece', $piece)->whereNotNull('mass_g')
            ->orderByDesc('id')->value('mass_g');

        return (float) ($weighed ?? $run->plan['charge_mass_g'] ?? 0);
    }
}
