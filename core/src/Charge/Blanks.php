<?php

declare(strict_types=1);

namespace Dithermic\Core\Charge;

use Dithermic\Core\Calculator\Calc;

/**
 * Blanks from a stock sheet by guillotine cuts: all one way, all the other way, or two blocks side by side, each its own
 * way. n = floor((usable + kerf)/(blank + kerf)): the kerf lies between neighbours, not at the trimmed edge.
 */
#[Calc('charge.blanks', 'how many sheet blanks come from a stock sheet')]
final class Blanks
{
    public function __invoke(BlanksInput $in): BlanksResult
    {
        $width = $in->stock_length_mm - 2 * $in->edge_trim_mm;
        $height = $in->stock_width_mm - 2 * $in->edge_trim_mm;
        $best = [];
        foreach ($in->grain_fixed ? [false] : [false, true] as $first) {
            $best = self::more($best, self::block($in, 0, 0, $width, $height, $first));
            if ($in->grain_fixed) {
                continue;
            }
            [$a, $b] = self::size($in, $first);
            for ($n = 1; $n * $a + ($n - 1) * $in->kerf_mm <= $width + 1e-9; $n++) {
                $cut = $n * ($a + $in->kerf_mm);
                $best = self::more(
                    $best,
                    [
                        ...self::block($in, 0, 0, $cut - $in->kerf_mm, $height, $first),
                        ...self::block($in, $cut, 0, $width - $cut, $height, ! $first),
                    ],
                );
            }
            for ($n = 1; $n * $b + ($n - 1) * $in->kerf_mm <= $height + 1e-9; $n++) {
                $cut = $n * ($b + $in->kerf_mm);
                $best = self::more(
                    $best,
                    [
                        ...self::block($in, 0, 0, $width, $cut - $in->kerf_mm, $first),
                        ...self::block($in, 0, $cut, $width, $height - $cut, ! $first),
                    ],
                );
            }
        }
        $yield = 100 * count($best) * $in->blank_length_mm * $in->blank_width_mm / (
            $in->stock_length_mm * $in->stock_width_mm
        );

        return (new BlanksResult(count($best), $yield, $best))->explain(
            $best === []
                ? 'The blank does not fit the sheet.'
                : sprintf('%d blanks use %.0f %% of the sheet.', count($best), $yield),
        );
    }

    /** @return array{float, float} along x and along y as placed */
    private static function size(BlanksInput $in, bool $turned): array
    {
        return $turned ? [$in->blank_width_mm, $in->blank_length_mm] : [$in->blank_length_mm, $in->blank_width_mm];
    }

    /** @return list<Blank> */
    private static function block(BlanksInput $in, float $x, float $y, float $width, float $height, bool $turned): array
    {
        [$a, $b] = self::size($in, $turned);
        $across = (int) floor(($width + $in->kerf_mm) / ($a + $in->kerf_mm) + 1e-9);
        $up = (int) floor(($height + $in->kerf_mm) / ($b + $in->kerf_mm) + 1e-9);
        $blanks = [];
        for ($i = 0; $i < $across; $i++) {
            for ($j = 0; $j < $up; $j++) {
                $blanks[] = new Blank(
                    $in->edge_trim_mm + $x + $i * ($a + $in->kerf_mm),
                    $in->edge_trim_mm + $y + $j * ($b + $in->kerf_mm),
                    $a,
                    $b,
                    $turned,
                );
            }
        }

        return $blanks;
    }

    /**
     * @param  list<Blank>  $a
     * @param  list<Blank>  $b
     * @return list<Blank>
     */
    private static function more(array $a, array $b): array
    {
        return count($b) > count($a) ? $b : $a;
    }
}
