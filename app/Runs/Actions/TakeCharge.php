<?php

declare(strict_types=1);

namespace App\Runs\Actions;

use App\Material\Models\Charge;
use App\Material\Support\ChargeState;
use App\Runs\Models\Run;
use App\Runs\Models\RunMaterial;
use Carbon\CarbonImmutable;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Stock\ChargeLots;

/** Takes a weighed charge that waits into a run. It goes into one run only. */
final readonly class TakeCharge
{
    /**
     * A further charge, of a run that is under way.
     *
     * @param  bool  $corrects  an entry that stands; which charge it was is not put right, it is already in
     *
     * @throws InputError
     */
    public function __invoke(Run $run, ?string $id, bool $corrects, CarbonImmutable $at): void
    {
        try {
            if ($corrects || $id === null) {
                throw new InputError('charge', 'is in already: weigh the next one instead');
            }
            $charge = self::waiting(Charge::query()->whereKey($id)->lockForUpdate()->first(), $run->polymer);
            ChargeLots::mustBeOf($charge->grams(), self::lots($run));
        } catch (InputError $error) {
            throw $error->under('data.values');
        }
        $this->load($run, $charge, $at);
        $run->load(['charges', 'materials.lot']);
    }

    /** @throws InputError where it is gone, or of another polymer */
    public static function waiting(?Charge $charge, string $polymer): Charge
    {
        return match (true) {
            $charge === null => throw new InputError('charge', 'names no weighed charge'),
            $charge->status !== ChargeState::Waiting => throw new InputError(
                'charge',
                sprintf('C-%04d is %s: take another', $charge->number, $charge->status->value),
            ),
            $charge->polymer !== $polymer => throw new InputError(
                'charge',
                sprintf('C-%04d is %s, and this is set up for %s', $charge->number, $charge->polymer, $polymer),
            ),
            default => $charge,
        };
    }

    /** What is in it is what the run has of those lots. */
    public function load(Run $run, Charge $charge, CarbonImmutable $at): void
    {
        foreach ($charge->grams() as $lot => $grams) {
            $material = $run->materials()->firstOrNew(['lot_id' => $lot]);
            $material->fill(['mass_g' => round((float) $material->mass_g + max(0.0, $grams), 3)])->save();
        }
        $charge->update(['status' => ChargeState::Used, 'run_id' => $run->id, 'closed_at' => $at]);
    }

    /** @return array<int, string> */
    private static function lots(Run $run): array
    {
        return $run->materials
            ->mapWithKeys(static fn (RunMaterial $m): array => [$m->lot_id => $m->lot->code])
            ->all();
    }
}
