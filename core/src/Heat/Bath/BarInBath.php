<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Bath;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Heat\Conduction\Grid;
use Dithermic\Core\Heat\Conduction\Held;
use Dithermic\Core\Heat\Conduction\Insulated;
use Dithermic\Core\Heat\Conduction\Layer;
use Dithermic\Core\Heat\Conduction\Stack;
use Dithermic\Core\Heat\Conduction\Substance;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Material\ThermalPolymer;

/**
 * A bar or beam cooling in its mould in water or air: a rectangle in two dimensions (Conduction\Grid), a round one by
 * Conduction\Stack. Solid is at or below tc − width/2 (amorphous: tg); the skin is measured inward from the middle of the
 * wider face. Ends and shrinking away from the mould are not modelled, so a long air gap cools slower than this.
 */
#[Calc('heat.bar_in_bath', 'a bar cooling in its mould: skin, core, and when it may be stripped')]
final readonly class BarInBath
{
    private const LIMIT_S = 172800.0;

    private const CELLS = 16;

    private const SECTIONS = 40;

    /** a core this near the bath is as cold as it gets, K */
    private const SETTLED_K = 0.05;

    public function __construct(private PolymerLibrary $polymers)
    {
    }

    public function __invoke(BarInBathInput $in, float $cells = 1.0): BarInBathResult
    {
        $thermal = $in->material->thermal($this->polymers);
        $demould = $in->material->need('demould_c', $this->polymers);
        if ($in->bath_c >= $demould) {
            throw new InputError('demould_c', "the core never gets below the bath ({$in->bath_c} °C)");
        }
        $solidAt = $thermal->tc_c !== null ? $thermal->tc_c - $thermal->melt_width_k / 2 : (float) $thermal->tg_c;
        $history = $in->diameter_mm !== null ? $this->round($in, $thermal, $cells) : $this->rectangle($in, $thermal, $cells);

        $wanted = $in->minutes === null ? null : 60 * $in->minutes;
        $skinAt = $coreAt = $coreTime = null;
        $skins = array_fill(0, count($in->skin_mm), null);
        $before = null;
        $sections = [];
        $stride = 1;
        foreach ($history as $n => [$time, $points, $cells]) {
            if ($in->with_section && $n % $stride === 0) {
                $sections[] = new BarSection(round($time / 60, 3), array_map(static fn (array $row): array => array_map(static fn (float $c): float => round($c, 1), $row), $cells()));
                if (count($sections) > self::SECTIONS) {
                    // Nobody knows beforehand how long it takes: when there are too many, every other one goes.
                    $sections = array_values(array_filter($sections, static fn (int $i): bool => $i % 2 === 0, ARRAY_FILTER_USE_KEY));
                    $stride *= 2;
                }
            }
            $now = [$time, $points[0][1], 1000 * self::skin($points, $solidAt)];
            if ($before !== null) {
                $share = static fn (float $a, float $b, float $level): float => $b === $a ? 1.0 : ($level - $a) / ($b - $a);
                if ($wanted !== null && $skinAt === null && $time >= $wanted - 1e-9) {
                    $u = $share($before[0], $time, $wanted);
                    $skinAt = $before[2] + ($now[2] - $before[2]) * $u;
                    $coreAt = $before[1] + ($now[1] - $before[1]) * $u;
                }
                foreach ($in->skin_mm as $i => $mm) {
                    if ($skins[$i] === null && $now[2] >= $mm) {
                        $skins[$i] = ($before[0] + ($time - $before[0]) * $share($before[2], $now[2], $mm)) / 60;
                    }
                }
                if ($coreTime === null && $now[1] <= $demould) {
                    $coreTime = ($before[0] + ($time - $before[0]) * $share($before[1], $now[1], $demould)) / 60;
                }
            }
            $before = $now;
            if ($coreTime !== null && ($wanted === null || $skinAt !== null)) {
                break;
            }
            if ($now[1] - $in->bath_c < self::SETTLED_K) {
                // Nothing more will happen however long it lies there.
                [$coreAt, $skinAt] = $wanted === null ? [null, null] : [$now[1], $now[2]];
                break;
            }
        }
        $half = ($in->diameter_mm ?? min((float) $in->width_mm, (float) $in->height_mm)) / 2;
        $result = new BarInBathResult($skinAt, $coreAt, array_map(static fn (float $mm, ?float $m): SkinTime => new SkinTime($mm, $m), $in->skin_mm, $skins), $coreTime, $solidAt, $sections);
        foreach ($in->skin_mm as $mm) {
            $result->warn($mm > $half ? sprintf('The bar is only %.0f mm to its middle: a skin of %.0f mm cannot be.', $half, $mm) : null);
        }

        return $result->explain($coreTime === null ? 'The core is not at its demould temperature within two days.' : sprintf('The core is at %.0f °C after %.0f min%s.', $demould, $coreTime, isset($skins[0]) ? sprintf('; %.0f mm of skin after %.1f min', $in->skin_mm[0], $skins[0]) : ''));
    }

    /** @return iterable<int, array{float, non-empty-list<array{float, float}>, callable(): list<list<float>>}> time, (distance from the middle in m, °C), and the cells of the section */
    private function rectangle(BarInBathInput $in, ThermalPolymer $thermal, float $cells): iterable
    {
        $wide = max((float) $in->width_mm, (float) $in->height_mm) / 1000;
        $thin = min((float) $in->width_mm, (float) $in->height_mm) / 1000;
        $ny = (int) round(self::CELLS * $cells);
        $grid = new Grid(Substance::polymer($thermal), $wide, $thin, min(2 * $ny, max($ny, (int) round($ny * $wide / $thin))), $ny, $in->melt_c, $in->bath_c, $in->h_w_m2k ?? $in->medium->conductance());
        yield [0.0, [[0.0, $in->melt_c], [$thin / 2, $in->melt_c]], $grid->rows(...)];
        while ($grid->time < self::LIMIT_S) {
            $steps = 0;
            $grid->run(self::LIMIT_S, static function () use (&$steps): bool {
                return ++$steps >= 4;
            });
            yield [$grid->time, $grid->across(), $grid->rows(...)];
        }
    }

    /** @return iterable<int, array{float, non-empty-list<array{float, float}>, callable(): list<list<float>>}> */
    private function round(BarInBathInput $in, ThermalPolymer $thermal, float $cells): iterable
    {
        $radius = (float) $in->diameter_mm / 2000;
        $n = (int) round(30 * $cells);
        $stack = new Stack([new Layer(Substance::polymer($thermal), $radius, $n, $in->melt_c)], new Insulated, new Held($in->bath_c, $in->h_w_m2k ?? $in->medium->conductance()), cylinder: true, stepK: 3.0);
        $row = static fn (): array => [array_values($stack->t)];
        yield [0.0, [[0.0, $in->melt_c], [$radius, $in->melt_c]], $row];
        while ($stack->time < self::LIMIT_S) {
            $stack->run(self::LIMIT_S, static fn (): bool => true);
            $points = [[0.0, $stack->leftSurface()]];
            foreach ($stack->t as $i => $c) {
                $points[] = [($i + 0.5) * $radius / $n, $c];
            }
            $points[] = [$radius, $stack->rightSurface()];
            yield [$stack->time, $points, $row];
        }
    }

    /**
     * How far the solid reaches in from the face, m.
     *
     * @param  non-empty-list<array{float, float}>  $points  from the middle outward
     */
    private static function skin(array $points, float $solidAt): float
    {
        $edge = $points[count($points) - 1];
        if ($edge[1] > $solidAt) {
            return 0.0;
        }
        for ($i = count($points) - 1; $i > 0; $i--) {
            [$x1, $t1] = $points[$i - 1];
            [$x2, $t2] = $points[$i];
            if ($t1 > $solidAt) {
                return $edge[0] - ($x2 - ($x2 - $x1) * ($solidAt - $t2) / ($t1 - $t2));
            }
        }

        return $edge[0];
    }
}
