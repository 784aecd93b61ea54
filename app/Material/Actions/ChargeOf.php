<?php

declare(strict_types=1);

namespace App\Material\Actions;

use App\Runs\Actions\Order;
use App\Shop\Models\Machine;
use App\Shop\Models\Product;
use App\Shop\Models\Recipe;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Process\Definition;
use Dithermic\Core\Process\Processes;

/** What one piece of a product weighs on the scale, by the same plan that sets the run up. */
final readonly class ChargeOf
{
    public function __construct(private Processes $processes)
    {
    }

    /**
     * @return array{mass_g: float, tolerance_g: float|null, explanation: string}
     *
     * @throws InputError where the product or the machine does not say enough
     */
    public function __invoke(Product $product, ?Machine $machine): array
    {
        $process = $this->processes->get($product->process);
        $machine ??= $this->usual($process, $product);
        $order = new Order(
            $process,
            $product,
            [$process->main()->id => $machine] + self::mould($process, $product),
            Recipe::newest($product, $machine),
        );
        $plan = $process->plan($order->job());
        if ($plan->charge->method === 'cut') {
            throw new InputError('product', "{$product->name} is formed from sheet: it is cut, not weighed");
        }

        return [
            'mass_g' => $plan->charge->mass_g,
            'tolerance_g' => $plan->charge->tolerance_g,
            'explanation' => $plan->explanation,
        ];
    }

    /** @return array<string, Machine> the mould that it is usually made in, by its role */
    private static function mould(Definition $process, Product $product): array
    {
        $mould = Machine::query()->whereKey($product->mould_id)->first();
        $role = $mould === null ? null : $process->hangs($mould->kind);

        return $role === null ? [] : [$role->id => $mould];
    }

    /** The machine that its newest recipe is for, else the first that can make it. */
    private function usual(Definition $process, Product $product): Machine
    {
        $recipe = Recipe::query()->where('product_id', $product->id)->orderByDesc('id')->first();

        return Machine::query()->whereIn('kind', $process->main()->kinds)
            ->whereNull('retired_at')
            ->when($recipe !== null, static fn ($q) => $q->whereKey($recipe?->machine_id))
            ->orderBy('id')
            ->first()
            ?? throw new InputError('machine_id', "this shop has no {$process->main()->title} yet");
    }
}
