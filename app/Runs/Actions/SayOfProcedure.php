<?php

declare(strict_types=1);

namespace App\Runs\Actions;

use App\People\Models\User;
use App\Runs\Models\ProcedureEntry;
use App\Runs\Models\Run;
use App\Runs\Support\ProcedureEntryKind;
use App\Support\Sent;
use App\Support\ShopClock;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Run\OwnWay;
use Illuminate\Support\Facades\DB;

/** Proposes how the shop should work a procedure, and decides on that. Nothing changes until a lead has approved it. */
final readonly class SayOfProcedure
{
    public function __construct(private Sent $sent, private ShopClock $clock)
    {
    }

    /**
     * @param  array<array-key, mixed>  $shipped  the procedure's body
     * @param  list<array<string, mixed>>  $changes  all that is otherwise than shipped
     * @param  int  $after  the approved entry that was seen in force, 0 for none
     * @param  list<string>  $runs  ids of runs that prove it
     *
     * @throws InputError where it cannot be laid over the procedure, is so already, or another was approved since
     */
    public function propose(
        string $id,
        array $shipped,
        array $changes,
        int $after,
        string $reason,
        array $runs,
        User $by,
    ): void {
        OwnWay::over($shipped, $changes);
        $key = (string) $shipped['id'];
        DB::transaction(function () use ($id, $key, $changes, $after, $reason, $runs, $by): void {
            $this->one($key);
            if (! $this->sent->as($id)) {
                return;
            }
            $inForce = $this->mustBeNewest($key, $after);
            if (($inForce->proposal->way ?? []) == $changes) {
                throw new InputError('changes', 'say how it is worked already: nothing would be otherwise');
            }
            if (Run::query()->whereKey($runs)->count() !== count(array_unique($runs))) {
                throw new InputError('runs', 'name one that is not here');
            }
            ProcedureEntry::query()->create([
                'key' => $key,
                'kind' => ProcedureEntryKind::Proposed,
                'after' => $after,
                'way' => $changes,
                'runs' => array_values(array_unique($runs)),
                'reason' => $reason,
                'by_id' => $by->id,
                'at' => $this->clock->moment(),
            ]);
        });
    }

    /**
     * @param  array<array-key, mixed>  $shipped
     *
     * @throws InputError where somebody has decided on it, or approved another since it was proposed
     */
    public function decide(array $shipped, ProcedureEntry $proposal, bool $approved, string $reason, User $by): void
    {
        $key = (string) $shipped['id'];
        if ($proposal->kind !== ProcedureEntryKind::Proposed || $proposal->key !== $key) {
            throw new InputError('proposal', 'is not one of this procedure');
        }
        DB::transaction(function () use ($shipped, $key, $proposal, $approved, $reason, $by): void {
            $this->one($key);
            $decided = $proposal->decision()->with('by')->first();
            if ($decided !== null) {
                throw new InputError('proposal', "was decided by {$decided->by->name} already");
            }
            if ($approved) {
                $this->mustBeNewest($key, (int) $proposal->after);
                OwnWay::over($shipped, $proposal->way ?? []);
            }
            ProcedureEntry::query()->create([
                'key' => $key,
                'kind' => $approved ? ProcedureEntryKind::Approved : ProcedureEntryKind::TurnedDown,
                'proposal_id' => $proposal->id,
                'own' => $approved ? 1 + (int) ProcedureEntry::query()->where('key', $key)->max('own') : null,
                'reason' => $reason,
                'by_id' => $by->id,
                'at' => $this->clock->moment(),
            ]);
        });
    }

    /** One at a time for each procedure. */
    private function one(string $key): void
    {
        DB::select('select pg_advisory_xact_lock(hashtextextended(?, 0))', ["procedure:{$key}"]);
    }

    private function mustBeNewest(string $key, int $after): ?ProcedureEntry
    {
        $inForce = ProcedureEntry::inForce($key);
        if (($inForce->id ?? 0) !== $after) {
            throw new InputError(
                'after',
                'another way was approved since: look at that first, and propose what is still wanted on top of it',
            );
        }

        return $inForce;
    }
}
