<?php

declare(strict_types=1);

namespace App\Runs\Actions;

use App\Material\Models\Lot;
use App\People\Models\User;
use App\Runs\Models\Run;
use App\Runs\Models\RunEvent;
use App\Runs\Queries\OtherLots;
use App\Support\Seconds;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Run\Event;
use Dithermic\Core\Run\EventType;
use Illuminate\Support\Facades\DB;

/** A run goes over to another lot, where the safety rules let that one in. Done once however often it is sent. */
final readonly class ChangeLot
{
    public function __construct(private OtherLots $others, private RecordEvents $record)
    {
    }

    /**
     * @param  string  $id  made by the screen, the key of its entry
     *
     * @throws InputError where the run is over, or this lot goes in already
     * @throws RunRefused with what stops it from going in
     */
    public function __invoke(string $id, User $by, Run $run, int $lotId): void
    {
        DB::transaction(function () use ($id, $by, $run, $lotId): void {
            Run::query()->whereKey($run->id)->lockForUpdate()->firstOrFail();
            if (RunEvent::query()->where('run_id', $run->id)->where('key', $id)->exists()) {
                return;
            }
            $lot = Lot::query()->withHeld()->with('source')->findOrFail($lotId);
            $this->others->mustGoIn($run, $lot);
            if ($run->materialAt(Seconds::now(), $run->state())->lot_id === $lot->id) {
                throw new InputError('lot_id', "{$lot->code} goes in already");
            }
            $run->materials()->firstOrCreate(['lot_id' => $lot->id]);
            $event = new Event($id, EventType::LotChanged, round(Seconds::now(), 3), $by->name, [
                'lot' => $lot->id,
                'code' => $lot->code,
            ], $by->isLead());
            $refused = ($this->record)($run, [['event' => $event, 'by' => $by]])['refused'][0]['error'] ?? null;
            if ($refused !== null) {
                throw new InputError('lot_id', $refused->getMessage());
            }
        });
    }
}
