<?php

declare(strict_types=1);

namespace App\Material\Actions;

use App\Material\Models\Act;
use App\Material\Models\Charge;
use App\Material\Models\Lot;
use App\Material\Models\Mix;
use App\Material\Support\ActKind;
use App\Material\Support\ChargeState;
use App\Material\Support\Ledger;
use App\People\Models\User;
use App\Shop\Models\Product;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Charge\BlendComponent;
use Dithermic\Core\Charge\BlendResult;
use Dithermic\Core\Material\PolymerLibrary;
use Illuminate\Support\ValidatedInput;

/** A charge to weigh: of one polymer or of a mix, with a target for each part that the scale can show. */
final readonly class BeginCharge
{
    private const USUAL_TOLERANCE_PCT = 1.0;

    public function __construct(
        private Registry $calculations,
        private PolymerLibrary $polymers,
        private Ledger $ledger,
    ) {
    }

    /** @throws InputError */
    public function __invoke(User $by, ValidatedInput $wanted): Act
    {
        $polymer = $wanted->string('polymer')->value();
        if (! $this->polymers->has($polymer) || $this->polymers->get($polymer)->neverHot()) {
            throw new InputError('polymer', 'never goes hot: no charge is weighed of it');
        }
        $mix = $this->mix($wanted, $polymer);
        $parts = $mix->components ?? [
            ['name' => $polymer, 'swatch' => Lot::NO_COLOUR, 'parts' => 1, 'kind' => 'colour'],
        ];
        $targets = $this->targets($wanted, $parts);
        $product = $wanted->filled('product_id')
            ? Product::query()->whereKey($wanted->integer('product_id'))->first()
            : null;
        $about = trim(($product->name ?? 'charge').($mix === null ? '' : ", {$mix->name} v{$mix->version}"));

        return $this->ledger->act(
            $wanted->string('id')->value(),
            ActKind::Charge,
            $by,
            '',
            [],
            static function (Act $act) use ($wanted, $polymer, $product, $about, $parts, $targets): void {
                Charge::query()->create([
                    'id' => $act->id,
                    'product_id' => $product?->id,
                    'about' => $wanted->filled('about') ? $wanted->string('about')->value() : $about,
                    'polymer' => $polymer,
                    'scale_g' => $wanted->float('scale_g'),
                    'tolerance_pct' => $wanted->float('tolerance_pct', self::USUAL_TOLERANCE_PCT),
                    'status' => ChargeState::Weighing,
                    'by_id' => $act->by_id,
                    'created_at' => $act->at,
                    'components' => array_map(
                        static fn (array $part, BlendComponent $target): array => [
                            'name' => $part['name'],
                            'swatch' => $part['swatch'],
                            'kind' => $part['kind'],
                            'target_g' => $target->rounded_g,
                        ],
                        $parts,
                        $targets,
                    ),
                ]);
            },
        );
    }

    /** @throws InputError when the mix is of another polymer */
    private function mix(ValidatedInput $wanted, string $polymer): ?Mix
    {
        if (! $wanted->filled('mix_id')) {
            return null;
        }
        $mix = Mix::query()->whereKey($wanted->integer('mix_id'))->firstOrFail();
        if ($mix->polymer !== $polymer) {
            throw new InputError(
                'mix_id',
                "the mix {$mix->name} is {$mix->polymer}, and this charge is {$polymer}",
            );
        }

        return $mix;
    }

    /**
     * @param  array<int, array{name: string, swatch: string, parts: float|int, kind: string}>  $parts
     * @return array<int, BlendComponent>
     */
    private function targets(ValidatedInput $wanted, array $parts): array
    {
        $blend = $this->calculations->run('charge.blend', [
            'total_mass_g' => $wanted->float('total_g'),
            'scale_resolution_g' => $wanted->float('scale_g'),
            'components' => array_map(
                static fn (array $part): array => ['name' => $part['name'], 'parts' => $part['parts']],
                $parts,
            ),
        ]);
        assert($blend instanceof BlendResult);

        return $blend->components;
    }
}
