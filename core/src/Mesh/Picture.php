<?php

declare(strict_types=1);

namespace Dithermic\Core\Mesh;

use Dithermic\Core\Calculator\InputError;
use Generator;

/**
 * A mesh as a drawing needs it, in blocks of packed facets: eleven float32 each, little endian: three vertices in mm
 * with the outside at the right-hand side, the draft asin(n·p) in degrees, and what Facing says it is.
 */
final readonly class Picture
{
    private StlFile $file;

    private Survey $survey;

    /** @throws InputError file */
    public function __construct(string $path, private MeasureInput $in)
    {
        $this->file = StlFile::open($path);
        $this->survey = Survey::of($this->file);
    }

    /** @return Generator<int, string> */
    public function blocks(): Generator
    {
        $facing = new Facing($this->survey, $this->in->pull, $this->in->male);
        $mm = $this->in->units->millimetres();
        $block = '';
        foreach ($this->file->facets() as $facet) {
            [1 => $ax, 2 => $ay, 3 => $az, 4 => $bx, 5 => $by, 6 => $bz, 7 => $cx, 8 => $cy, 9 => $cz] = $facet;
            $nx = ($by - $ay) * ($cz - $az) - ($bz - $az) * ($cy - $ay);
            $ny = ($bz - $az) * ($cx - $ax) - ($bx - $ax) * ($cz - $az);
            $nz = ($bx - $ax) * ($cy - $ay) - ($by - $ay) * ($cx - $ax);
            $twice = sqrt($nx * $nx + $ny * $ny + $nz * $nz) ?: 1.0;
            [$kind, $toPull] = $facing->of($facet, [$nx / $twice, $ny / $twice, $nz / $twice]);
            if ($this->survey->insideOut()) {
                [$bx, $by, $bz, $cx, $cy, $cz] = [$cx, $cy, $cz, $bx, $by, $bz];
            }
            $block .= pack(
                'g11',
                $ax * $mm,
                $ay * $mm,
                $az * $mm,
                $bx * $mm,
                $by * $mm,
                $bz * $mm,
                $cx * $mm,
                $cy * $mm,
                $cz * $mm,
                rad2deg(asin(max(-1.0, min(1.0, $toPull)))),
                $kind,
            );
            if (strlen($block) > 1 << 16) {
                yield $block;
                $block = '';
            }
        }
        yield $block;
    }
}
