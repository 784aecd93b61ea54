<?php

declare(strict_types=1);

namespace App\Material\Support;

use App\Material\Models\Act;
use App\Material\Models\Lot;
use App\Material\Models\LotMovement;
use App\People\Models\User;
use App\Support\Conflict;
use App\Support\Sent;
use Carbon\CarbonImmutable;
use Closure;
use Dithermic\Core\Calculator\InputError;
use Illuminate\Support\Facades\DB;

/**
 * Stock is what its lines add up to. Every change is an act with an id of its own, done once however often it is sent,
 * with the lots it touches locked in one order, so that two people at one lot take turns.
 */
final class Ledger
{
    /** a thousandth of a gram, below which two masses are the same */
    private const SAME_G = 0.0005;

    public function __construct(private readonly Sent $sent)
    {
    }

    /**
     * @param  array<string, mixed>  $data
     * @param  Closure(Act): void  $work
     */
    public function act(string $id, ActKind $kind, User $by, string $reason, array $data, Closure $work): Act
    {
        return DB::transaction(function () use ($id, $kind, $by, $reason, $data, $work): Act {
            DB::select('select pg_advisory_xact_lock(hashtextextended(?, 0))', [$id]);
            $done = Act::query()->find($id);
            if ($done !== null) {
                if ($done->kind !== $kind || $done->by_id !== $by->id) {
                    throw Conflict::of();
                }
                $this->sent->as($id);

                return $done;
            }
            $act = Act::query()->create([
                'id' => $id,
                'kind' => $kind,
                'reason' => $reason,
                'data' => $data,
                'by_id' => $by->id,
                'at' => CarbonImmutable::now(),
            ]);
            $this->sent->as($id);
            $work($act);

            return $act;
        });
    }

    /**
     * @param  list<int>  $ids
     * @return array<int, Lot> by id
     */
    public function lock(array $ids): array
    {
        $lots = [];
        foreach (Lot::query()->with('source')->whereKey($ids)->orderBy('id')->lockForUpdate()->get() as $lot) {
            $lots[$lot->id] = $lot;
        }
        foreach ($ids as $id) {
            if (! isset($lots[$id])) {
                throw new InputError('lot_id', "there is no lot with the number {$id}");
            }
        }

        return $lots;
    }

    public function held(Lot $lot): float
    {
        return round((float) LotMovement::query()->where('lot_id', $lot->id)->sum('mass_g'), 3);
    }

    /**
     * Work in one transaction, for what has no lines.
     *
     * @param  Closure(): void  $work
     */
    public function once(Closure $work): void
    {
        DB::transaction($work);
    }

    /**
     * A new container with its own code.
     *
     * @param  array<string, mixed>  $what
     */
    public function open(array $what): Lot
    {
        /** @var object{id: int|string} $next */
        $next = DB::selectOne("select nextval(pg_get_serial_sequence('lots', 'id')) as id");
        $lot = new Lot($what + ['dry_state' => 'unknown', 'location' => '']);
        $lot->id = (int) $next->id;
        $lot->code = sprintf('L-%04d', 100 + (int) $next->id);
        $lot->save();

        return $lot;
    }

    /** One line; the lot is locked by then. Under zero only with a written reason. */
    public function line(
        Act $act,
        Lot $lot,
        float $grams,
        MovementKind $kind,
        ?Lot $other = null,
        string $field = 'mass_g',
        ?string $chargeId = null,
        ?string $runId = null,
    ): void {
        $held = $grams < 0 && trim($act->reason) === '' ? $this->held($lot) : null;
        if ($held !== null && $held + $grams < -self::SAME_G) {
            throw new InputError(
                $field,
                sprintf(
                    'lot %s holds only %.0f g: take less or another lot, or write a reason why the book is wrong',
                    $lot->code,
                    $held,
                ),
            );
        }
        LotMovement::query()->create([
            'lot_id' => $lot->id,
            'mass_g' => round($grams, 3),
            'kind' => $kind,
            'reason' => $act->reason,
            'by_id' => $act->by_id,
            'at' => $act->at,
            'act_id' => $act->id, 'other_lot_id' => $other?->id, 'charge_id' => $chargeId, 'run_id' => $runId,
        ]);
    }
}
