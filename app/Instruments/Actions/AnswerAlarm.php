<?php

declare(strict_types=1);

namespace App\Instruments\Actions;

use App\Instruments\Models\Alarm;
use App\People\Models\User;
use App\Support\ShopClock;
use Dithermic\Core\Calculator\InputError;
use Illuminate\Support\Facades\DB;

/** Somebody has seen an alarm and looks after it: one person, once. */
final readonly class AnswerAlarm
{
    public function __construct(private ShopClock $clock)
    {
    }

    /** @throws InputError where another was first */
    public function __invoke(Alarm $alarm, User $by, string $note): void
    {
        DB::transaction(function () use ($alarm, $by, $note): void {
            $locked = Alarm::query()->whereKey($alarm->id)->with('person')->lockForUpdate()->firstOrFail();
            if ($locked->answered_by === $by->id) {
                return;
            }
            if ($locked->answered_by !== null) {
                throw new InputError('alarm', "is {$locked->person?->name}'s already");
            }
            $locked->update(['answered_by' => $by->id, 'answered_at' => $this->clock->moment(), 'note' => $note]);
        });
    }
}
