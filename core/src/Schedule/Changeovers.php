<?php

declare(strict_types=1);

namespace Dithermic\Core\Schedule;

use Dithermic\Core\Changeover\PurgeModel;
use Dithermic\Core\Material\PolymerLibrary;

/**
 * Minutes between two tasks at one station that are set up differently. A given matrix says them by polymer; else they
 * are priced by the purge route (`changeover.purge`): so many minutes for each leg, twice where light follows dark. A
 * mould is changed and the set-point moved meanwhile, whichever takes longer; the purge comes after that, for it wants
 * the heat. The minutes for a mould and the rates are those of `changeover.sequence` where nobody says them.
 */
final class Changeovers
{
    private const LEG_MIN = 8.0;

    private const MOULD_MIN = 30.0;

    private const HEAT_K_MIN = 6.0;

    private const COOL_K_MIN = 3.0;

    /** lighter by more than this shows what was in before */
    private const SHOWS = 5.0;

    private readonly PurgeModel $routes;

    /** @var array<string, float|null> */
    private array $legs = [];

    /** @param  array<string, array<string, float>>|null  $matrix */
    public function __construct(private readonly PolymerLibrary $polymers, private readonly ?array $matrix)
    {
        $this->routes = new PurgeModel($polymers);
    }

    /** Infinite where there is no way from the one to the other. */
    public function minutes(?SetUp $from, ?SetUp $to): float
    {
        if ($from === null || $to === null) {
            return 0.0;
        }
        $mould = $from->mould !== null && $to->mould !== null && $from->mould !== $to->mould ? self::MOULD_MIN : 0.0;
        $rise = $from->set_c === null || $to->set_c === null ? 0.0 : $to->set_c - $from->set_c;
        $heat = $rise > 0 ? $rise / self::HEAT_K_MIN : -$rise / self::COOL_K_MIN;

        return $this->purge($from, $to) + max($mould, $heat);
    }

    private function purge(SetUp $from, SetUp $to): float
    {
        [$a, $b] = [$from->polymer, $to->polymer];
        if ($a === null || $b === null) {
            return 0.0;
        }
        if ($this->matrix !== null) {
            return (float) ($this->matrix[$a][$b] ?? ($a === $b ? 0.0 : INF));
        }
        $lighter = ($to->lightness ?? 0.0) - ($from->lightness ?? $to->lightness ?? 0.0) > self::SHOWS;
        if ($a === $b) {
            return $lighter ? self::LEG_MIN : 0.0;
        }

        return ($this->legs["{$a}>{$b}"] ??= $this->routed($a, $b)) * ($lighter ? 2 : 1);
    }

    private function routed(string $a, string $b): float
    {
        if (! $this->polymers->has($a) || ! $this->polymers->has($b)) {
            return self::LEG_MIN;
        }
        $route = $this->routes->route($a, $b);

        return $route === null ? INF : self::LEG_MIN * max(1, count($route->legs));
    }
}
