<?php

declare(strict_types=1);

namespace Dithermic\Core\Charge;

use Dithermic\Core\Calculator\Calc;

/**
 * Blanks from a stock sheet by guillotine cuts: all one way, all the other way, or two blocks side by side, each its
 * own way. n = floor((usable + kerf)/(blank + kerf)): the kerf lies between neighbours, not at the trimmed edge.
 */
#[Calc('charge.blanks', 'how many sheet blanks come from a stock sheet')]
final class Blanks
{
    public function __invoke(BlanksInput $in): BlanksResult
    {
        $best = $this->place($in, $this->layout($in));
        $yield = 100 * count($best) * $in->blank_length_mm * $in->blank_width_mm / (
            $in->stock_length_mm * $in->stock_width_mm
        );

        return (new BlanksResult(count($best), $yield, $best))->explain(
            $best === []
                ? 'The blank does not fit the sheet.'
                : sprintf('%d blanks use %.0f %% of the sheet.', count($best), $yield),
        );
    }

    /**
     * The layout that holds the most: counted, not placed, because there are as many layouts as cuts.
     *
     * @return list<array{float, float, float, float, bool}> blocks: x, y, width, height, blanks turned
     */
    private function layout(BlanksInput $in): array
    {
        $most = -1;
        $best = [];
        foreach ($this->layouts($in) as $blocks) {
            $count = 0;
            foreach ($blocks as $block) {
                [$across, $up] = $this->fit($in, $block);
                $count += $across * $up;
            }
            if ($count > $most) {
                [$most, $best] = [$count, $blocks];
            }
        }

        return $best;
    }

    /** @return iterable<list<array{float, float, float, float, bool}>> */
    private function layouts(BlanksInput $in): iterable
    {
        $width = $in->stock_length_mm - 2 * $in->edge_trim_mm;
        $height = $in->stock_width_mm - 2 * $in->edge_trim_mm;
        foreach ($in->grain_fixed ? [false] : [false, true] as $turned) {
            yield [[0.0, 0.0, $width, $height, $turned]];
            if ($in->grain_fixed) {
                continue;
            }
            [$a, $b] = $this->size($in, $turned);
            for ($n = 1; $n * $a + ($n - 1) * $in->kerf_mm <= $width + 1e-9; $n++) {
                $cut = $n * ($a + $in->kerf_mm);
                yield [
                    [0.0, 0.0, $cut - $in->kerf_mm, $height, $turned],
                    [$cut, 0.0, $width - $cut, $height, ! $turned],
                ];
            }
            for ($n = 1; $n * $b + ($n - 1) * $in->kerf_mm <= $height + 1e-9; $n++) {
                $cut = $n * ($b + $in->kerf_mm);
                yield [
                    [0.0, 0.0, $width, $cut - $in->kerf_mm, $turned],
                    [0.0, $cut, $width, $height - $cut, ! $turned],
                ];
            }
        }
    }

    /** @return array{float, float} along x and along y as placed */
    private function size(BlanksInput $in, bool $turned): array
    {
        return $turned ? [$in->blank_width_mm, $in->blank_length_mm] : [$in->blank_length_mm, $in->blank_width_mm];
    }

    /**
     * @param  array{float, float, float, float, bool}  $block
     * @return array{int, int} how many stand across and up
     */
    private function fit(BlanksInput $in, array $block): array
    {
        [, , $width, $height, $turned] = $block;
        [$a, $b] = $this->size($in, $turned);

        return [
            max(0, (int) floor(($width + $in->kerf_mm) / ($a + $in->kerf_mm) + 1e-9)),
            max(0, (int) floor(($height + $in->kerf_mm) / ($b + $in->kerf_mm) + 1e-9)),
        ];
    }

    /**
     * @param  list<array{float, float, float, float, bool}>  $blocks
     * @return list<Blank>
     */
    private function place(BlanksInput $in, array $blocks): array
    {
        $blanks = [];
        foreach ($blocks as $block) {
            [$x, $y, , , $turned] = $block;
            [$a, $b] = $this->size($in, $turned);
            [$across, $up] = $this->fit($in, $block);
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
        }

        return $blanks;
    }
}
