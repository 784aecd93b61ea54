<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Wall;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Reader;
use Dithermic\Core\Heat\Conduction\Crossing;
use Dithermic\Core\Heat\Conduction\Held;
use Dithermic\Core\Heat\Conduction\Insulated;
use Dithermic\Core\Heat\Conduction\Layer;
use Dithermic\Core\Heat\Conduction\Stack;
use Dithermic\Core\Heat\Conduction\Substance;
use Dithermic\Core\Material\PolymerLibrary;

/**
 * What the mould's material does: half a wall against a mould half, cycle after cycle. Each part goes in all at melt
 * temperature and leaves when its hottest point may; then the mould stands open, its face insulated, and gets rid of
 * heat at its back, by its whole outer area. Symmetric halves; flat walls.
 */
#[Calc(
    'heat.mould_contact',
    'cooling in a mould of steel, aluminium or resin, and how the mould warms up',
    size: 'wall_mm',
)]
final readonly class MouldContact
{
    private const LONGEST_S = 1800.0;

    private const MOULDS = [
        'steel' => [35.0, 7800.0, 0.46],
        'aluminium' => [150.0, 2750.0, 0.89],
        'printed_resin' => [0.2, 1200.0, 1.5],
    ];

    public function __construct(private PolymerLibrary $polymers)
    {
    }

    public function __invoke(MouldContactInput $in): MouldContactResult
    {
        $part = Substance::polymer($in->material->thermal($this->polymers));
        [$first, $steady, $face] = $this->cycles($in, $part, self::mould($in->mould));
        $aluminium = $in->mould === 'aluminium' ? $steady : $this->cycles($in, $part, self::mould('aluminium'))[1];
        $factor = $steady === null || $aluminium === null ? null : $steady / $aluminium;

        return (new MouldContactResult($first, $steady, $face, $factor))->warn($in->material->overCeiling(
            $in->melt_c,
            'The melt',
            $this->polymers,
        ))
            ->explain($steady === null
            ? 'The part is not cool within half an hour: this mould holds the heat in.'
            : sprintf(
                '%.0f s of cooling once the mould has warmed up, its face at %.0f °C; %.1f times an aluminium one.',
                $steady,
                $face,
                $factor,
            ));
    }

    private static function mould(mixed $given): Substance
    {
        if (is_string($given)) {
            [$k, $rho, $cp] = self::MOULDS[$given] ?? throw new InputError(
                'mould',
                'must be steel, aluminium, printed_resin or {k, rho, cp}',
            );

            return Substance::constant($k, $rho, 1000 * $cp);
        }
        try {
            $own = Reader::read(MouldMaterial::class, $given);
        } catch (InputError $error) {
            throw $error->under('mould');
        }

        return Substance::constant($own->k, $own->rho, 1000 * $own->cp);
    }

    /** @return array{?float, ?float, ?float} first and last cooling, and the face as the last part goes in */
    private function cycles(MouldContactInput $in, Substance $part, Substance $mould): array
    {
        $cells = 14;
        $block = $in->mould_thickness_mm / 1000;
        $behind = $in->back();
        $back = static fn (): Held|Insulated => $behind > 0 ? new Held($in->back_c, $behind) : new Insulated;
        $temperatures = array_fill(0, $cells, $in->mould_c);
        $face = $in->mould_c;
        $first = $time = null;
        for ($cycle = 1; $cycle <= $in->cycles; $cycle++) {
            $closed = new Stack(
                [
                    new Layer($part, $in->wall_mm / 2000, 14, $in->melt_c, $in->contact_w_m2k),
                    new Layer($mould, $block, $cells, $in->mould_c),
                ],
                new Insulated,
                $back(),
                stepK: 5.0,
            );
            $closed->replace(1, $temperatures);
            $time = Crossing::time(
                $closed,
                self::LONGEST_S,
                static fn (Stack $s): float => $in->eject_c - max(
                    $s->leftSurface(),
                    $s->surfaceTowardsNext(0),
                    ...$s->layerTemperatures(0),
                ),
            );
            $first ??= $time;
            if ($time === null) {
                return [$first, null, $face];
            }
            if ($cycle === $in->cycles) {
                break;
            }
            $open = new Stack([new Layer($mould, $block, $cells, $in->mould_c)], new Insulated, $back(), stepK: 5.0);
            $open->replace(0, $closed->layerTemperatures(1));
            $open->run($in->open_s);
            $temperatures = $open->layerTemperatures(0);
            $face = $open->leftSurface();
        }

        return [$first, $time, $face];
    }
}
