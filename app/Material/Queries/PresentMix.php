<?php

declare(strict_types=1);

namespace App\Material\Queries;

use App\Material\Data\MixComponentData;
use App\Material\Data\MixData;
use App\Material\Models\Mix;
use App\Support\Seconds;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Charge\BlendResult;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Stock\Colour;

/** A kept mix with the shares that the core gives its parts. */
final readonly class PresentMix
{
    /** as much as shows every share to a hundredth of a per cent */
    private const BATCH = ['total_mass_g' => 10_000.0, 'scale_resolution_g' => 0.1];

    public function __construct(private Registry $calculations, private PolymerLibrary $polymers)
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
            $mix->note,
            $mix->by->name,
            Seconds::of($mix->created_at),
        );
    }
}
