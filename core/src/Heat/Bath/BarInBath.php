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
 * Conduction\Stack. Solid is at or below tc − width/2 (amorphous: tg); the skin is measured inward from the middle of
 * the wider face. Ends and shrinking away from the mould are not modelled, so a long air gap cools slower than this.
 *
 * A bar is stripped long before its core is cold, when its skin carries it: STRIP_SHARE of its smaller side, or what it
 * takes for the skin alone, a hollow section of a warm modulus, to sag no more than allowed under the whole bar's
 * weight (simply supported, 5wL⁴/(384·E·I), Gere & Timoshenko). The core at its demould temperature is for stacking.
 */
#[Calc('heat.bar_in_bath', 'a bar cooling in its mould: skin, core, and when it may be stripped', size: 'h_w_m2k')]
final readonly class BarInBath
{
    private const LIMIT_S = 172800.0;

    private const CELLS = 16;

    /** cells of the one-dimensional run that the skin's time is corrected by */
    private const FINE = 60;

    /** share of the half thickness up to which a skin does not feel the other sides */
    private const THIN = 0.25;

    /** steps of the grid between two looks at it */
    private const STRIDE = 4;

    private const SECTIONS = 40;

    /** a skin of this share of the smaller side keeps the section in shape */
    private const STRIP_SHARE = 0.12;

    private const SPAN_MM = 600.0;

    private const GRAVITY_M_S2 = 9.80665;

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
        if ($in->melt_c <= $demould) {
            throw new InputError(
                'melt_c',
                "is not above {$demould} °C, at which the bar may come out: there is nothing to cool",
            );
        }
        $solidAt = $thermal->tc_c !== null ? $thermal->tc_c - $thermal->melt_width_k / 2 : (float) $thermal->tg_c;
        $history = $in->diameter_mm !== null
            ? $this->round($in, $thermal, $cells)
            : $this->rectangle($in, $thermal, $cells);

        $wanted = $in->minutes === null ? null : 60 * $in->minutes;
        $skinAt = $coreAt = $coreTime = null;
        [$carries, $stripWhy] = $this->skinThatCarries($in, $thermal);
        $asked = $carries === null ? $in->skin_mm : [...$in->skin_mm, $carries];
        $skins = array_fill(0, count($asked), null);
        $correct = $in->diameter_mm !== null ? static fn (float $skin, float $time): float => $time : $this->correction(
            $in,
            $thermal,
            $cells,
            $solidAt,
        );
        $before = null;
        $sections = [];
        $stride = 1;
        foreach ($history as $n => [$time, $points, $section]) {
            if ($in->with_section && $n % $stride === 0) {
                $sections[] = [$time, $section];
                if (count($sections) > self::SECTIONS) {
                    // Nobody knows beforehand how long it takes: when there are too many, every other one goes.
                    $sections = array_values(array_filter(
                        $sections,
                        static fn (int $i): bool => $i % 2 === 0,
                        ARRAY_FILTER_USE_KEY,
                    ));
                    $stride *= 2;
                }
            }
            $skin = 1000 * self::skin($points, $solidAt);
            $now = [$time, $points[0][1], $skin, $correct($skin, $time)];
            if ($before !== null) {
                $share = static fn (
                    float $a,
                    float $b,
                    float $level,
                ): float => $b === $a ? 1.0 : ($level - $a) / ($b - $a);
                if ($wanted !== null && $coreAt === null && $time >= $wanted - 1e-9) {
                    $coreAt = $before[1] + ($now[1] - $before[1]) * $share($before[0], $time, $wanted);
                }
                if ($wanted !== null && $skinAt === null && $now[3] >= $wanted - 1e-9) {
                    $skinAt = $before[2] + ($now[2] - $before[2]) * $share($before[3], $now[3], $wanted);
                }
                foreach ($asked as $i => $mm) {
                    if ($skins[$i] === null && $now[2] >= $mm * (1 - 1e-9)) {
                        $skins[$i] = (
                            $before[3] + ($now[3] - $before[3]) * $share($before[2] ** 2, $now[2] ** 2, $mm ** 2)
                        ) / 60;
                    }
                }
                if ($coreTime === null && $now[1] <= $demould) {
                    $coreTime = ($before[0] + ($time - $before[0]) * $share($before[1], $now[1], $demould)) / 60;
                }
            }
            $before = $now;
            if (
                $coreTime !== null
                && ($wanted === null || ($skinAt !== null && $coreAt !== null))
                && ($carries === null || end($skins) !== null)
            ) {
                break;
            }
            if ($now[1] - $in->bath_c < self::SETTLED_K) {
                // Nothing more will happen however long it lies there.
                [$coreAt, $skinAt] = $wanted === null ? [null, null] : [$now[1], $now[2]];
                break;
            }
        }
        $strip = $carries === null ? null : end($skins);
        $half = $in->smallerMm() / 2;
        $times = array_map(
            static fn (float $mm, ?float $m): SkinTime => new SkinTime($mm, $m),
            $in->skin_mm,
            array_slice($skins, 0, count($in->skin_mm)),
        );
        $result = new BarInBathResult(
            $skinAt,
            $coreAt,
            $times,
            $coreTime,
            $solidAt,
            $strip === null ? null : 60 * $strip,
            $carries,
            $stripWhy,
            array_map(self::section(...), $sections),
        );
        foreach ($in->skin_mm as $mm) {
            $result->warn(
                $mm > $half
                    ? sprintf('The bar is only %.0f mm to its middle: a skin of %.0f mm cannot be.', $half, $mm)
                    : null,
            );
        }
        $result->warn($in->material->overCeiling($in->melt_c, 'The melt', $this->polymers));
        $said = $strip === null
            ? $stripWhy
            : sprintf('It may be stripped after %.1f min, when %.1f mm of skin carry it', $strip, $carries);

        return $result->explain(rtrim($said, '.').'. '.($coreTime === null
            ? 'The core is not at its demould temperature within two days.' : sprintf(
                'Stack it after %.0f min, the core at %.0f °C.',
                $coreTime,
                $demould,
            )));
    }

    /**
     * What the coarse grid gets wrong about the front near the face, it gets wrong in one dimension too, and there a
     * fine solution costs little. So the time of a skin is that of the grid times fine over coarse; of a thin one, to
     * which the other sides are far away, it is the fine one itself.
     *
     * @return callable(float, float): float the time of a skin of mm that the grid had at a time
     */
    private function correction(BarInBathInput $in, ThermalPolymer $thermal, float $cells, float $solidAt): callable
    {
        $half = $in->smallerMm() / 2000;
        $ny = (int) round(self::CELLS * $cells);
        $h = $in->h_w_m2k ?? $in->medium->conductance();
        $grid = new Grid(Substance::polymer($thermal), 2000 * $half, 2 * $half, 2, $ny, $in->melt_c, $in->bath_c, $h);
        $coarse = [[0.0, 0.0]];
        $steps = 0;
        $grid->run(self::LIMIT_S, static function (Grid $g) use (&$coarse, &$steps, $solidAt, $half): bool {
            if (++$steps % self::STRIDE !== 0) {
                return false;
            }
            $coarse[] = [1000 * self::skin($g->across(), $solidAt), $g->time];

            return end($coarse)[0] >= 1000 * $half * (1 - 1e-9);
        });
        $stack = new Stack(
            [new Layer(Substance::polymer($thermal), $half, (int) round(self::FINE * min(1.0, $cells)), $in->melt_c)],
            new Insulated,
            new Held($in->bath_c, $h),
            stepK: 3.0,
        );
        $fine = [[0.0, 0.0]];
        $stack->run(self::LIMIT_S, static function (Stack $s) use (&$fine, $solidAt, $half): bool {
            $fine[] = [1000 * self::skin(self::through($s, $half), $solidAt), $s->time];

            return end($fine)[0] >= 1000 * $half * (1 - 1e-9);
        });

        return static fn (float $skin, float $time): float => match (true) {
            $skin <= 0 => $time,
            $skin < self::THIN * 1000 * $half => self::at($fine, $skin),
            default => $time * self::at($fine, $skin) / max(1e-9, self::at($coarse, $skin)),
        };
    }

    /**
     * The time at which a growing skin is so thick; it grows about as the root of time.
     *
     * @param  non-empty-list<array{float, float}>  $growth  mm and s
     */
    private static function at(array $growth, float $skin): float
    {
        [$low, $high] = [0, count($growth) - 1];
        while ($high - $low > 1) {
            $middle = intdiv($low + $high, 2);
            $growth[$middle][0] < $skin ? $low = $middle : $high = $middle;
        }
        [[$x0, $t0], [$x1, $t1]] = [$growth[$low], $growth[$high]];

        return $x1 > $x0 ? $t0 + ($t1 - $t0) * min(1.0, ($skin ** 2 - $x0 ** 2) / ($x1 ** 2 - $x0 ** 2)) : $t1;
    }

    /** @return non-empty-list<array{float, float}> from the middle or the axis outward, m and °C */
    private static function through(Stack $stack, float $half): array
    {
        $points = [[0.0, $stack->leftSurface()]];
        $n = count($stack->t);
        foreach ($stack->t as $i => $c) {
            $points[] = [($i + 0.5) * $half / $n, $c];
        }
        $points[] = [$half, $stack->rightSurface()];

        return $points;
    }

    /**
     * @return array{?float, string} mm of solid skin that carry the bar over its span, and why; null when even the solid bar sags more
     */
    private function skinThatCarries(BarInBathInput $in, ThermalPolymer $thermal): array
    {
        $smaller = $in->smallerMm();
        $shape = self::STRIP_SHARE * $smaller;
        $span = ($in->span_mm ?? min(self::SPAN_MM, $in->length_mm ?? self::SPAN_MM)) / 1000;
        $weight = $thermal->density_kg_m3 * $in->sectionMm2() * 1e-6 * self::GRAVITY_M_S2;
        $sag = static fn (float $skin): float => 1000 * 5 * $weight * $span ** 4 / (
            384 * 1e6 * $in->modulus_mpa * $in->inertiaMm4($skin) * 1e-12
        );
        if ($sag($smaller / 2) > $in->sag_mm) {
            return [
                null,
                sprintf(
                    'Even solid and warm it sags %.1f mm over %.0f mm: carry it on a board, or leave it in its mould until the core is cold.',
                    $sag($smaller / 2),
                    1000 * $span,
                ),
            ];
        }
        [$thin, $thick] = [0.0, $smaller / 2];
        for ($i = 0; $i < 60; $i++) {
            $middle = ($thin + $thick) / 2;
            $sag($middle) > $in->sag_mm ? $thin = $middle : $thick = $middle;
        }

        return $thick > $shape
            ? [
                $thick,
                sprintf('%.1f mm of skin carry it over %.0f mm with %.1f mm of sag', $thick, 1000 * $span, $in->sag_mm),
            ]
            : [$shape, sprintf('%.1f mm of skin keep its section in shape, and that is stiff enough', $shape)];
    }

    /**
     * @return iterable<int, array{float, non-empty-list<array{float, float}>, callable(): list<list<float>>}> time, (distance from the middle in m, °C), and what makes the section
     */
    private function rectangle(BarInBathInput $in, ThermalPolymer $thermal, float $cells): iterable
    {
        $wide = max((float) $in->width_mm, (float) $in->height_mm) / 1000;
        $thin = min((float) $in->width_mm, (float) $in->height_mm) / 1000;
        $ny = (int) round(self::CELLS * $cells);
        $grid = new Grid(
            Substance::polymer($thermal),
            $wide,
            $thin,
            min(2 * $ny, max($ny, (int) round($ny * $wide / $thin))),
            $ny,
            $in->melt_c,
            $in->bath_c,
            $in->h_w_m2k ?? $in->medium->conductance(),
        );
        yield [0.0, [[0.0, $in->melt_c], [$thin / 2, $in->melt_c]], $grid->section()];
        while ($grid->time < self::LIMIT_S) {
            $steps = 0;
            $grid->run(self::LIMIT_S, static function () use (&$steps): bool {
                return ++$steps >= self::STRIDE;
            });
            yield [$grid->time, $grid->across(), $grid->section()];
        }
    }

    /** @return iterable<int, array{float, non-empty-list<array{float, float}>, callable(): list<list<float>>}> */
    private function round(BarInBathInput $in, ThermalPolymer $thermal, float $cells): iterable
    {
        $radius = (float) $in->diameter_mm / 2000;
        $n = (int) round(48 * $cells);
        $stack = new Stack(
            [new Layer(Substance::polymer($thermal), $radius, $n, $in->melt_c)],
            new Insulated,
            new Held($in->bath_c, $in->h_w_m2k ?? $in->medium->conductance()),
            cylinder: true,
            stepK: 2.0,
        );
        $section = static function () use ($stack): callable {
            $row = array_values($stack->t);

            return static fn (): array => [$row];
        };
        yield [0.0, [[0.0, $in->melt_c], [$radius, $in->melt_c]], $section()];
        while ($stack->time < self::LIMIT_S) {
            $stack->run(self::LIMIT_S, static fn (): bool => true);
            yield [$stack->time, self::through($stack, $radius), $section()];
        }
    }

    /** @param  array{float, callable(): list<list<float>>}  $at  time and what makes it */
    private static function section(array $at): BarSection
    {
        $rounded = static fn (float $c): float => round($c, 1);

        return new BarSection(
            round($at[0] / 60, 3),
            array_map(static fn (array $row): array => array_map($rounded, $row), $at[1]()),
        );
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
