<?php

declare(strict_types=1);

namespace App\Runs\Actions;

use App\Material\Models\Act;
use App\Material\Models\Lot;
use App\Material\Models\LotMovement;
use App\Material\Support\ActKind;
use App\Material\Support\Ledger;
use App\Material\Support\MovementKind;
use App\People\Models\User;
use App\Runs\Models\Run;
use App\Runs\Support\LotOfRun;
use App\Runs\Support\OutputKind;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Process\Leftover;

/**
 * Puts what a run left into a container of its own, and never more than the run took.
 */
final readonly class KeepLeftover
{
    /** scales differ: what comes out may weigh so much more than what went in */
    private const SCALES_DIFFER = 1.02;

    public function __construct(private Ledger $ledger, private LotOfRun $lots)
    {
    }

    /** @throws InputError where it is more than the run took */
    public function __invoke(string $id, User $by, Run $run, Leftover $what, float $massG, string $location): Act
    {
        $data = ['run_id' => $run->id, 'leftover' => $what->id];

        return $this->ledger->act($id, ActKind::Made, $by, "run {$run->number}: {$what->title}", $data, function (Act $act) use (
            $run,
            $what,
            $massG,
            $location,
        ): void {
            // Two who keep of one run take turns.
            Run::query()->whereKey($run->id)->lockForUpdate()->firstOrFail();
            $took = (float) $run->materials()->sum('mass_g');
            $kept = (float) LotMovement::query()
                ->where('run_id', $run->id)
                ->where('kind', MovementKind::Made)
                ->sum('mass_g');
            if ($kept + $massG > self::SCALES_DIFFER * $took) {
                throw new InputError('mass_g', sprintf(
                    'is more than it can be: the run took %.0f g, and %.0f g of that are kept already',
                    $took,
                    $kept,
                ));
            }
            $lot = $this->lots->open($run, $what->form, $location);
            $this->ledger->line($act, $lot, $massG, MovementKind::Made, runId: $run->id);
            $run->outputs()->create([
                'kind' => OutputKind::Lot,
                'lot_id' => $lot->id,
                'mass_g' => round($massG, 3),
                'event_key' => $act->id,
                'at' => $act->at,
            ]);
        });
    }

    /** The container that an act made. */
    public static function made(Act $act): Lot
    {
        return Lot::query()
            ->whereIn('id', LotMovement::query()->select('lot_id')->where('act_id', $act->id))
            ->firstOrFail();
    }
}
