<?php

declare(strict_types=1);

namespace App\Material\Actions;

use App\Material\Models\Act;
use App\Material\Models\Source;
use App\Material\Models\SourceEvent;
use App\Material\Support\ActKind;
use App\Material\Support\Ledger;
use App\People\Models\User;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Stock\Trust;
use Illuminate\Support\ValidatedInput;

/** A trial, an acceptance or a delivery check: what it does to a source's state is the core's ladder. */
final readonly class TrustSource
{
    public function __construct(private Ledger $ledger)
    {
    }

    /**
     * @param  ValidatedInput  $with  id, and worked_at_c, run_id, picture_id and note where they are known
     *
     * @throws InputError
     */
    public function __invoke(User $by, Source $source, Trust $trust, ValidatedInput $with): Act
    {
        $note = $with->string('note')->value();
        if ($trust->needsTemperature() && ! $with->filled('worked_at_c')) {
            throw new InputError(
                'worked_at_c',
                'is required: the temperature at which it worked is what a trial is for',
            );
        }
        if ($trust === Trust::DeliveryFailed && trim($note) === '') {
            throw new InputError('note', 'is required: say what was wrong with the delivery');
        }

        return $this->ledger->act(
            $with->string('id')->value(),
            ActKind::Trust,
            $by,
            $note,
            ['source_id' => $source->id, 'kind' => $trust->value],
            static function (Act $act) use ($source, $trust, $with, $note): void {
                $locked = Source::query()->whereKey($source->id)->lockForUpdate()->firstOrFail();
                $next = $trust->after($locked->state);
                SourceEvent::query()->create([
                    'act_id' => $act->id,
                    'source_id' => $source->id,
                    'kind' => $trust->value,
                    'state' => $next->value,
                    'worked_at_c' => $with->input('worked_at_c'),
                    'run_id' => $with->input('run_id'),
                    'picture_id' => $with->input('picture_id'),
                    'note' => $note,
                    'by_id' => $act->by_id,
                    'at' => $act->at,
                ]);
                $locked->update(['state' => $next]);
            },
        );
    }
}
