<?php

declare(strict_types=1);

namespace Dithermic\Core\Learning;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Heat\Barrel\BarrelSoak;
use Dithermic\Core\Material\PolymerLibrary;

/**
 * What a barrel takes over the physics, from full shots that were waited for: heat.barrel_soak foretells each, and
 * learn.factor lays what was seen against it (smooth: the time itself; lumps: at least that; long ready: at most that).
 */
#[Calc('fit.soak', 'what this barrel takes over the physics, from full shots', size: 'shots')]
final readonly class FitSoak
{
    public function __construct(private PolymerLibrary $polymers)
    {
    }

    public function __invoke(FitSoakInput $in): FitSoakResult
    {
        $predicted = [];
        $seen = [];
        foreach ($in->shots as $i => $shot) {
            try {
                $predicted[] = (new BarrelSoak($this->polymers))($shot->input)->soak_min_full;
            } catch (InputError $error) {
                throw $error->under("shots.{$i}.input");
            }
            $seen[] = new Observation(
                $predicted[$i],
                $shot->cue === SoakCue::Smooth ? $shot->minutes : null,
                $shot->cue === SoakCue::Lumps ? $shot->minutes : null,
                $shot->cue === SoakCue::LongReady ? $shot->minutes : null,
                $shot->sd,
            );
        }
        $learnt = (new Factor)(new FactorInput($seen, $in->prior_sd));

        return (new FitSoakResult($learnt->factor, $learnt->low, $learnt->high, $learnt->used, $predicted))
            ->explain(sprintf(
                'This barrel takes %.2f times what the physics says (%.2f to %.2f), from %d full shots.',
                $learnt->factor,
                $learnt->low,
                $learnt->high,
                $learnt->used,
            ));
    }
}
