<?php

declare(strict_types=1);

namespace Dithermic\Core\Changeover;

use Dithermic\Core\Material\Polymer;
use Dithermic\Core\Material\PolymerLibrary;

/**
 * Washing a barrel out: the concentration of the old material falls as C = exp(−V/(mixing·Vb)) beyond one displaced
 * volume (1 − mixing)·Vb (plug flow in series with a stirred tank, Levenspiel). So V = Vb·((1 − mixing) +
 * mixing·ln(100/residual)).
 *
 * Both materials are in the barrel while one pushes the other out, so a leg is legal only where neither is solid (under
 * its least melt temperature) nor breaking down (over its ceiling), and where the two may meet at all. Where no leg
 * goes straight, others come between: fewest legs, then fewest that leave a usual window, then least mass.
 */
final readonly class PurgeModel
{
    /** what may be left of another polymer, % */
    public const RESIDUAL_PCT = 0.5;

    /** of what was darker than what comes, which shows, % */
    private const UNDER_LIGHT_PCT = 0.2;

    /** of what was lighter, which does not, % */
    private const UNDER_DARK_PCT = 2.0;

    /** colours nearer than this are one, of 0 black to 1 white */
    private const SAME_SHADE = 0.05;

    public function __construct(private PolymerLibrary $polymers)
    {
    }

    /**
     * How much of the old may be left, %; null where it need not be washed out at all.
     *
     * @param  float  $lighter  by how much the new is lighter, of 0 black to 1 white
     */
    public static function residual(bool $samePolymer, float $lighter): ?float
    {
        return match (true) {
            $lighter > self::SAME_SHADE + 1e-9 => self::UNDER_LIGHT_PCT,
            ! $samePolymer => self::RESIDUAL_PCT,
            $lighter < -self::SAME_SHADE - 1e-9 => self::UNDER_DARK_PCT,
            default => null,
        };
    }

    public static function volume(float $barrel, float $mixing, float $residualPct): float
    {
        return $barrel * ((1 - $mixing) + $mixing * log(100 / $residualPct));
    }

    /** Why two must not meet in a hot barrel; null when they may. */
    public function danger(string $a, string $b): ?string
    {
        $why = $a === $b ? null : $this->polymers->get($a)->dangerWith($this->polymers->get($b));

        return $why === null ? null : "{$a} and {$b} must not meet in a hot barrel: {$why}.";
    }

    /**
     * The way from the old material to the new; null where there is none.
     *
     * @param  list<string>|null  $available  what the shop has to put between; the whole library when null
     */
    public function route(string $from, string $to, ?array $available = null): ?PurgeRoute
    {
        if ($this->polymers->get($from)->neverHot() || $this->polymers->get($to)->neverHot()) {
            return null;
        }
        if ($from === $to) {
            $leg = $this->leg($from, $to);

            return $leg === null ? null : new PurgeRoute([$from], [$leg]);
        }
        $between = array_values(array_filter(
            $available ?? array_keys($this->polymers->all()),
            fn (string $code): bool => $code !== $from && $code !== $to && ! $this->polymers->get($code)->neverHot(),
        ));
        // Routes of one leg more each time, the best to each polymer: what is best later begins with what is best now.
        $best = [$from => new PurgeRoute([$from], [])];
        $reached = [$from => true];
        while ($best !== [] && ! isset($best[$to])) {
            $next = [];
            foreach ($best as $route) {
                foreach ([...$between, $to] as $code) {
                    $leg = isset($reached[$code]) ? null : $this->leg($route->last(), $code);
                    $longer = $leg === null ? null : $route->over($code, $leg);
                    if ($longer !== null && (! isset($next[$code]) || $longer->isBetterThan($next[$code]))) {
                        $next[$code] = $longer;
                    }
                }
            }
            $reached += array_fill_keys(array_keys($next), true);
            $best = $next;
        }

        return $best[$to] ?? null;
    }

    /** One material pushing another out; null where no temperature suits both or they must not meet. */
    private function leg(string $old, string $new): ?PurgeLeg
    {
        $a = $this->polymers->get($old);
        $b = $this->polymers->get($new);
        $x = $a->meltWindow();
        $y = $b->meltWindow();
        if ($x === null || $y === null || $this->danger($old, $new) !== null) {
            return null;
        }
        $lowest = max($x->min, $y->min);
        if ($lowest > min($a->ceiling() ?? $x->max, $b->ceiling() ?? $y->max)) {
            return null;
        }
        $shared = min($x->max, $y->max);
        $widened = $shared < $lowest;

        return new PurgeLeg(
            $new,
            $widened ? $lowest : ($lowest + $shared) / 2,
            $widened,
            $b->property('density_melt_g_cm3') ?? 0.0,
        );
    }

    /** What to do where there is no way from the one to the other. */
    public function noWay(string $from, string $to, bool $overShelf): string
    {
        $pvc = $this->polymers->get($from)->isPvc() || $this->polymers->get($to)->isPvc();
        $why = $this->danger($from, $to) ?? (
            $pvc ? 'PVC gives off hydrogen chloride in a hot barrel: no set-point is safe.' : sprintf(
                'No temperature at which %s may be pushed out by %s, directly or over %s.',
                $from,
                $to,
                $overShelf ? 'what the shop has' : 'another polymer',
            )
        );

        return "{$why} Do not heat it further. Let it cool and take it out cold, or have the screw or plunger drawn, "
            .'by the machine\'s manual and by somebody licensed for it.';
    }

    public function polymer(string $code, string $field): Polymer
    {
        return $this->polymers->get($code, $field);
    }
}
