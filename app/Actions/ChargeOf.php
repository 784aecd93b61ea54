<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Machine;
use App\Models\Product;
use App\Models\Recipe;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Charge\ProfileResult;
use Dithermic\Core\Charge\ShotResult;

/** What one piece of a product weighs on the scale, by the same plan that sets the run up. */
final readonly class ChargeOf
{
    public function __construct(private Registry $calculations, private PlanPress $plan)
    {
    }

    /**
     * @return array{mass_g: float, tolerance_g: float|null, explanation: string}
     *
     * @throws InputError where the product does not say enough
     */
    public function __invoke(Product $product, ?Machine $machine): array
    {
        return match ($product->process) {
            'compression' => $this->sheet($product, $machine),
            'injection' => $this->shot($product, $machine),
            'extrusion' => $this->bar($product),
            default => throw new InputError('product', "{$product->name} is formed from sheet: it is cut, not weighed"),
        };
    }

    /** @return array{mass_g: float, tolerance_g: float|null, explanation: string} */
    private function sheet(Product $product, ?Machine $machine): array
    {
        $recipe = Recipe::query()->where('product_id', $product->id)
            ->when($machine !== null, static fn ($q) => $q->where('machine_id', $machine?->id))
            ->orderByDesc('id')
            ->first();
        $machine ??= Machine::query()->where('kind', Machine::HOT_PRESS)
            ->when($recipe !== null, static fn ($q) => $q->whereKey($recipe?->machine_id))
            ->orderBy('id')
            ->first();
        if ($machine === null) {
            throw new InputError('machine_id', 'there is no press in this shop yet');
        }
        $plan = ($this->plan)($product, $machine, null, $recipe, [], [], null, [], 'production');
        $targets = (array) $plan->plan;

        return [
            'mass_g' => (float) $targets['charge_mass_g'],
            'tolerance_g' => (float) $targets['charge_tolerance_g'],
            'explanation' => $plan->sheet->explanation,
        ];
    }

    /** @return array{mass_g: float, tolerance_g: float|null, explanation: string} */
    private function shot(Product $product, ?Machine $machine): array
    {
        $machine ??= Machine::query()->whereRaw("facts->'barrel_diameter_mm' is not null")->orderBy('id')->first();
        if ($machine?->fact('barrel_diameter_mm') === null || $machine->fact('barrel_length_mm') === null) {
            throw new InputError(
                'machine_id',
                'no machine of this shop says its bore and heated length yet: a shot is measured against its barrel',
            );
        }
        $answer = $this->calculations->run('charge.shot', [
            'polymer' => $product->polymer,
            'barrel_diameter_mm' => $machine->fact('barrel_diameter_mm'),
            'barrel_length_mm' => $machine->fact('barrel_length_mm'),
        ] + $product->dimensions);
        assert($answer instanceof ShotResult);

        return [
            'mass_g' => round($answer->shot_mass_g, 1),
            'tolerance_g' => null,
            'explanation' => $answer->explanation,
        ];
    }

    /** @return array{mass_g: float, tolerance_g: float|null, explanation: string} */
    private function bar(Product $product): array
    {
        $answer = $this->calculations->run(
            'charge.profile',
            ['polymer' => $product->polymer] + $product->dimensions,
        );
        assert($answer instanceof ProfileResult);

        return [
            'mass_g' => round($answer->charge_mass_g, 1),
            'tolerance_g' => null,
            'explanation' => $answer->explanation,
        ];
    }
}
