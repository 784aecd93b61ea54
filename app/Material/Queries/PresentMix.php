<?php

declare(strict_types=1);

namespace App\Material\Queries;

use App\Material\Data\MixComponentData;
use App\Material\Data\MixData;
use App\Material\Data\MixStockData;
use App\Material\Models\Lot;
use App\Material\Models\Mix;
use App\Support\Seconds;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Charge\BlendResult;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Stock\Colour;
use Dithermic\Core\Stock\MixStock;

/** A kept mix with the shares that the core gives its parts. */
final class PresentMix
{
    /** as much as shows every share to a hundredth of a per cent */
    private const BATCH = ['total_mass_g' => 10_000.0, 'scale_resolution_g' => 0.1];

    /** @var array<string, float>|null grams on the shelves by polymer and colour */
    private ?array $shelves = null;

    public function __construct(private readonly Registry $calculations, private readonly PolymerLibrary $polymers)
    {
    }

    public function mix(Mix $mix): MixData
    {
        $blend = $this->calculations->run('charge.blend', self::BATCH + ['components' => array_map(
            static fn (array $c): array => ['name' => $c['name'], 'parts' => $c['parts'], 'kind' => $c['kind']],
            $mix->components,
        )]);
        assert($blend instanceof BlendResult);
        $colours = array_map(static fn (array $c): array => [$c['swatch'], (float) $c['parts']], $mix->components);
        assert($colours !== []);
        $polymer = $this->polymers->has($mix->polymer) ? $this->polymers->get($mix->polymer) : null;

        return new MixData(
            $mix->id,
            $mix->name,
            $mix->version,
            $mix->polymer,
            array_map(static fn (array $c, int $i): MixComponentData => new MixComponentData(
                $c['name'],
                $c['swatch'],
                (float) $c['parts'],
                $blend->components[$i]->percent,
                $c['kind'],
            ), $mix->components, array_keys($mix->components)),
            Colour::mean($colours),
            $blend->regrind_pct,
            $polymer?->mostRegrindPct(),
            $polymer?->regrindNote(),
            $this->stock($mix),
            $mix->note,
            $mix->by->name,
            Seconds::of($mix->created_at),
        );
    }

    private function stock(Mix $mix): MixStockData
    {
        $parts = array_map(fn (array $c): array => [
            'name' => $c['name'],
            'parts' => (float) $c['parts'],
            'held_g' => $this->shelves()[self::colour($mix->polymer, $c['name'])] ?? 0.0,
        ], $mix->components);
        assert($parts !== []);
        $stock = MixStock::of($parts);

        return new MixStockData(round($stock->gives_g, 1), $stock->runs_out);
    }

    /** @return array<string, float> */
    private function shelves(): array
    {
        if ($this->shelves !== null) {
            return $this->shelves;
        }
        $held = Lot::query()->join('lot_totals as m', 'm.lot_id', '=', 'lots.id')
            ->selectRaw('lots.polymer, lots.colour, sum(m.mass_g) as held_g')
            ->groupBy('lots.polymer', 'lots.colour')
            ->toBase()->get();
        $this->shelves = [];
        foreach ($held as $row) {
            $colour = self::colour($row->polymer, $row->colour);
            $this->shelves[$colour] = ($this->shelves[$colour] ?? 0.0) + (float) $row->held_g;
        }

        return $this->shelves;
    }

    /** A part of a mix is named as the colour of the lots that it is taken from, in whatever case. */
    private static function colour(string $polymer, string $colour): string
    {
        return "{$polymer}|".mb_strtolower(trim($colour));
    }
}
