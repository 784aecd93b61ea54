<?php

declare(strict_types=1);

namespace App\Runs\Actions;

use App\People\Models\User;
use App\Runs\Models\PassportLine;
use App\Runs\Models\Run;
use App\Runs\Support\PassportShows;
use App\Support\Sent;
use App\Support\ShopClock;
use Dithermic\Core\Calculator\InputError;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * A lead says what is shown of a run's parts to whoever has their code. Taken back and given again it is another code.
 */
final readonly class SayOfPassport
{
    private const LETTERS = 26;

    public function __construct(private Sent $sent, private ShopClock $clock)
    {
    }

    /**
     * @param  int|null  $before  the word that was looked at; null for none
     * @param  list<PassportShows>  $shows  nothing: there is no passport any more
     * @param  list<int>  $waste  sources whose material would have been waste
     *
     * @throws InputError
     */
    public function __invoke(string $id, User $by, Run $run, ?int $before, array $shows, array $waste): void
    {
        DB::transaction(function () use ($id, $by, $run, $before, $shows, $waste): void {
            Run::query()->whereKey($run->id)->lockForUpdate()->firstOrFail();
            if (! $this->sent->as($id)) {
                return;
            }
            $stands = PassportLine::of($run);
            if ($stands?->id !== $before) {
                throw new InputError(
                    'before',
                    'is not what stands now: somebody has said something else of it. Look again',
                );
            }
            $of = $run->materials()->with('lot')->get()->pluck('lot.source_id')->all();
            if (array_diff($waste, $of) !== []) {
                throw new InputError('waste', 'names a source that nothing of this run is from');
            }
            PassportLine::query()->create([
                'run_id' => $run->id,
                'code' => $shows === [] ? null : ($stands->code ?? Str::random(self::LETTERS)),
                'shows' => $shows,
                'waste' => array_values(array_unique($waste)),
                'by_id' => $by->id,
                'at' => $this->clock->moment(),
            ]);
        });
    }
}
