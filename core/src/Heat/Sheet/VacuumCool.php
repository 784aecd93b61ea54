<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Sheet;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Heat\Conduction\Crossing;
use Dithermic\Core\Heat\Conduction\Held;
use Dithermic\Core\Heat\Conduction\Layer;
use Dithermic\Core\Heat\Conduction\Stack;
use Dithermic\Core\Heat\Conduction\Substance;
use Dithermic\Core\Material\PolymerLibrary;

/**
 * A formed part cooling with one face on the mould and the other in the air (10 W/m2K still, 45 with a fan: typical of
 * natural and forced convection over a small part). Released when its hottest point is cold enough.
 */
#[Calc('heat.vacuum_cool', 'how long a formed part stays on the mould', size: 'wall_mm')]
final readonly class VacuumCool
{
    private const STILL_W_M2K = 10.0;

    private const FAN_W_M2K = 45.0;

    private const LIMIT_S = 86400.0;

    public function __construct(private PolymerLibrary $polymers)
    {
    }

    public function __invoke(VacuumCoolInput $in): VacuumCoolResult
    {
        $substance = Substance::polymer($in->material->thermal($this->polymers));
        $walls = [];
        foreach ($in->wall_mm as $wall) {
            $stack = new Stack(
                [new Layer($substance, $wall / 1000, 20, $in->sheet_c)],
                new Held($in->mould_c, $in->contact_w_m2k),
                new Held($in->air_c, $in->fan ? self::FAN_W_M2K : self::STILL_W_M2K),
                stepK: 4.0,
            );
            $time = Crossing::time($stack, self::LIMIT_S, static fn (Stack $s): float => $in->release_c - $s->hottest())
                ?? throw new InputError('release_c', 'the part does not get that cold between this mould and this air');
            $walls[] = new CooledWall($wall, $time);
        }
        $slowest = max(array_map(static fn (CooledWall $w): float => $w->release_s, $walls) ?: [0.0]);

        return (new VacuumCoolResult($walls, $slowest))->warn($in->material->overCeiling(
            $in->sheet_c,
            'The sheet',
            $this->polymers,
        ))
            ->explain(sprintf('The thickest wall may be taken off after %.0f s.', $slowest));
    }
}
