<?php

declare(strict_types=1);

namespace App\Runs\Actions;

use App\Material\Actions\TrustSource;
use App\Material\Models\Source;
use App\People\Models\User;
use App\Runs\Models\Run;
use App\Runs\Models\RunMaterial;
use Dithermic\Core\Safety\Scale;
use Dithermic\Core\Stock\Trust;
use Illuminate\Support\ValidatedInput;
use Ramsey\Uuid\Uuid;

/**
 * A trial run that has ended tells the source of its material, with the temperature it was worked at: nobody types it
 * again.
 */
final readonly class TellSource
{
    public function __construct(private TrustSource $trust)
    {
    }

    public function __invoke(Run $run, User $by): void
    {
        $trust = Trust::byTrial(
            Scale::tryFrom($run->setup['scale'] ?? '') ?? Scale::Production,
            $run->good(),
            $run->bad(),
        );
        $sources = $run->materials->map(static fn (RunMaterial $m): Source => $m->lot->source)->unique('id');
        $source = $sources->first();
        // What was mixed of several sources says of none of them what it is.
        if ($trust === null || $source === null || $sources->count() > 1 || ! $trust->follows($source->state)) {
            return;
        }
        if ($trust->needsTemperature() && $run->set_c === null) {
            return;
        }
        ($this->trust)($by, $source, $trust, new ValidatedInput([
            'id' => Uuid::uuid5($run->id, 'trust')->toString(),
            'worked_at_c' => $run->set_c,
            'run_id' => $run->id,
            'note' => trim("run {$run->number}".($run->scrap_reason === null ? '' : ": {$run->scrap_reason}")),
        ]));
    }
}
