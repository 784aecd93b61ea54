<?php

declare(strict_types=1);

namespace App\Material\Actions;

use App\Material\Models\Act;
use App\Material\Models\Drying;
use App\Material\Models\Lot;
use App\Material\Support\ActKind;
use App\Material\Support\Ledger;
use App\People\Models\User;
use App\Shop\Models\Machine;
use Carbon\CarbonImmutable;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Drying\DryerAir;
use Dithermic\Core\Drying\Form;
use Dithermic\Core\Drying\PlanResult;
use Illuminate\Support\ValidatedInput;

/** A lot into a dryer and out of it again. What makes it dry is its time at temperature. */
final readonly class DryLot
{
    public function __construct(private Registry $calculations, private Ledger $ledger)
    {
    }

    /** @param  ValidatedInput  $asked  lot_id, and air_c and wanted_at where they are known */
    public function plan(ValidatedInput $asked): PlanResult
    {
        return $this->planOf(Lot::query()->whereKey($asked->integer('lot_id'))->firstOrFail(), $asked);
    }

    /** @throws InputError */
    public function load(User $by, ValidatedInput $asked): Drying
    {
        $lot = Lot::query()->whereKey($asked->integer('lot_id'))->firstOrFail();
        $plan = $this->planOf($lot, $asked);
        $air = $plan->air_c ?? throw new InputError('lot_id', $plan->because);
        $hours = $plan->hours ?? throw new InputError('air_c', $plan->because);
        $id = $asked->string('id')->value();
        $this->ledger->act(
            $id,
            ActKind::Dried,
            $by,
            '',
            ['lot_id' => $lot->id],
            function (Act $act) use ($asked, $lot, $hours, $air): void {
                $this->ledger->lock([$lot->id]);
                if (Drying::query()->where('lot_id', $lot->id)->whereNull('out_at')->exists()) {
                    throw new InputError('lot_id', "lot {$lot->code} is in a dryer already");
                }
                $dryer = self::admit($asked->integer('machine_id'), $air);
                Drying::query()->create([
                    'id' => $act->id,
                    'machine_id' => $dryer->id,
                    'lot_id' => $lot->id,
                    'air_c' => $air,
                    'hours' => $hours,
                    'started_at' => $act->at,
                    'ready_at' => $act->at->addSeconds((int) round(3600 * $hours)),
                    'wanted_at' => self::wanted($asked),
                    'by_id' => $act->by_id,
                ]);
            },
        );

        return Drying::query()
            ->with(['machine', 'by', 'lot' => static fn ($q) => $q->withHeld()])
            ->whereKey($id)
            ->firstOrFail();
    }

    public function takeOut(Drying $drying, User $by, string $hopper, ?float $rhPct): Lot
    {
        $this->ledger->once(function () use ($drying, $by, $hopper, $rhPct): void {
            $lot = $this->ledger->lock([$drying->lot_id])[$drying->lot_id];
            $locked = Drying::query()->whereKey($drying->id)->lockForUpdate()->firstOrFail();
            if ($locked->out_at !== null) {
                return;
            }
            $now = CarbonImmutable::now();
            $dry = $now >= $locked->ready_at;
            $locked->update(['out_at' => $now, 'out_dry' => $dry, 'out_by_id' => $by->id]);
            // Too early is not dry.
            $lot->update(['dried_at' => $dry ? $now : null, 'hopper' => $hopper, 'rh_pct' => $rhPct]);
        });

        return Lot::query()->withHeld()->with(['source', 'reservedFor'])->findOrFail($drying->lot_id);
    }

    /** One dryer has one air: two loads of it take turns at its row. */
    private static function admit(int $machineId, float $air): Machine
    {
        $dryer = Machine::query()->whereKey($machineId)->lockForUpdate()->firstOrFail();
        $inside = Drying::query()->with('lot')->where('machine_id', $dryer->id)->whereNull('out_at')->get();
        DryerAir::admit(
            $dryer->name,
            array_values(
                $inside->map(static fn (Drying $d): array => ["lot {$d->lot->code}", (float) $d->air_c])->all(),
            ),
            $air,
        );

        return $dryer;
    }

    private function planOf(Lot $lot, ValidatedInput $asked): PlanResult
    {
        $plan = $this->calculations->run('dry.plan', array_filter([
            'polymer' => $lot->polymer,
            'start' => CarbonImmutable::now()->toIso8601String(),
            'air_c' => $asked->filled('air_c') ? $asked->float('air_c') : null,
            'form' => Form::ofLot($lot->form)->value,
            'wanted_at' => self::wanted($asked)?->toIso8601String(),
        ], static fn (mixed $v): bool => $v !== null));
        assert($plan instanceof PlanResult);

        return $plan;
    }

    private static function wanted(ValidatedInput $asked): ?CarbonImmutable
    {
        return $asked->filled('wanted_at')
            ? CarbonImmutable::createFromTimestampUTC($asked->integer('wanted_at'))
            : null;
    }
}
