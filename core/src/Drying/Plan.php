<?php

declare(strict_types=1);

namespace Dithermic\Core\Drying;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Material\PolymerLibrary;

/**
 * Drying hours: the library's typical at its typical air, twice for each 10 K colder and half for each 10 K hotter (the
 * usual rule for diffusion and vapour pressure together), held within the library's least and most; flake × 0.8, being
 * thinner than pellets. A polymer that takes up no water needs it only when its flake was washed.
 */
#[Calc('dry.plan', 'how long to dry, when it is ready, when to start')]
final readonly class Plan
{
    private const FLAKE = 0.8;

    private const DOUBLES_EVERY_K = 10.0;

    public function __construct(private PolymerLibrary $polymers)
    {
    }

    public function __invoke(PlanInput $in): PlanResult
    {
        $polymer = $this->polymers->get($in->polymer);
        $start = Moment::read($in->start, 'start');
        $wanted = $in->wanted_at === null ? null : Moment::read($in->wanted_at, 'wanted_at');
        $drying = $polymer->record['drying'] ?? throw new InputError('polymer', "{$in->polymer} is not dried here: ".($polymer->whyNot('injection') ?? 'the library has no drying for it'));
        $air = $in->air_c ?? (float) $drying['air_c']['typical'];
        $softens = $polymer->property('tm_c') ?? $polymer->property('tg_c');
        if ($air > $drying['air_c']['max'] || ($softens !== null && $air >= $softens)) {
            throw new InputError('air_c', sprintf('%.0f °C is too hot for %s: it sticks together. At most %.0f °C', $air, $in->polymer, $drying['air_c']['max']));
        }
        $needed = (string) $drying['needed'];
        $none = $needed === 'surface moisture only' && $in->form === Form::Pellet;
        $hours = $none ? 0.0 : max($drying['hours']['min'], min($drying['hours']['max'], $drying['hours']['typical'] * 2 ** (($drying['air_c']['typical'] - $air) / self::DOUBLES_EVERY_K))) * ($in->form === Form::Flake ? self::FLAKE : 1.0);
        $seconds = (int) round(3600 * $hours);
        $because = match (true) {
            $none => "{$in->polymer} takes up no water; only washed flake needs its surface dried.",
            $needed === 'surface moisture only' => 'Washed flake carries water on its surface: it makes bubbles.',
            $needed === 'recommended' => 'It takes up a little water; dried, it gives a better surface.',
            default => 'It takes up water, which splits it and makes bubbles when hot.',
        };

        return (new PlanResult($needed, $hours, Moment::write($start->modify("+{$seconds} seconds"), $in->start), $wanted === null ? null : Moment::write($wanted->modify("-{$seconds} seconds"), (string) $in->wanted_at), $none ? null : $air, $none ? null : (string) $drying['dryer'], $because))
            ->explain($none ? $because : sprintf('%.1f h at %.0f °C, %s. %s', $hours, $air, $drying['dryer'], $because))
            ->warn($wanted !== null && $start->modify("+{$seconds} seconds") > $wanted ? 'It is not dry by then: start earlier.' : null);
    }
}
