<?php

declare(strict_types=1);

namespace Dithermic\Core\Mesh;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Calculator\Files;

/**
 * A part or a mould from its STL file, read twice from disk: once for the box and the orientation, once for the rest.
 *
 * Volume by the divergence theorem as the sum of signed tetrahedra, V = Σ a·(b × c)/6; area as half the cross product;
 * the shadow by Shadow; draft and undercuts by Facing. The file's own normals are not trusted. The volume stands only
 * when every edge is shared by exactly two facets that agree on which side is out. Valid for one shape, or several
 * that do not overlap (what two overlapping shells enclose together is counted twice).
 */
#[Calc('mesh.measure', 'a part or mould from its STL file: volume, shadow, draft and undercuts')]
final readonly class Measure
{
    /** Limits between the bands of draft, in degrees. */
    private const BANDS = [-45, 0, 1, 2, 3, 5, 45];

    /** facets */
    private const TELLS_EVERY = 20_000;

    public function __construct(private Files $files)
    {
    }

    public function __invoke(MeasureInput $in): MeasureResult
    {
        $file = StlFile::open($this->files->path($in->file));
        $survey = Survey::of($file);
        $facing = new Facing($survey, $in->pull, $in->male);
        $edges = new Edges($survey);
        // The two axes across the pull, at the keys of a facet's coordinates.
        [$u, $v] = [[2, 3], [3, 1], [1, 2]][$in->pull->axis()];
        $shadow = new Shadow($survey->low[$u - 1], $survey->high[$u - 1], $survey->low[$v - 1], $survey->high[$v - 1]);
        $least = 1e-14 * $survey->diagonal() ** 2;
        $area = $undercut = 0.0;
        $steepest = INF;
        $degenerate = 0;
        $bands = array_fill(0, count(self::BANDS) - 1, 0.0);
        $read = 0;
        foreach ($file->facets() as $facet) {
            if (++$read % self::TELLS_EVERY === 0) {
                $this->files->progress($read / $survey->facets);
            }
            $sound = $edges->add($facet);
            $bx = $facet[4] - $facet[1];
            $by = $facet[5] - $facet[2];
            $bz = $facet[6] - $facet[3];
            $cx = $facet[7] - $facet[1];
            $cy = $facet[8] - $facet[2];
            $cz = $facet[9] - $facet[3];
            $nx = $by * $cz - $bz * $cy;
            $ny = $bz * $cx - $bx * $cz;
            $nz = $bx * $cy - $by * $cx;
            $twice = sqrt($nx * $nx + $ny * $ny + $nz * $nz);
            if (! $sound || $twice <= $least) {
                $degenerate++;

                continue;
            }
            $area += $twice / 2;
            $found = $facing->of($facet, [$nx / $twice, $ny / $twice, $nz / $twice]);
            if ($found[0] === Facing::UNDERCUT) {
                $undercut += $twice / 2;
            }
            if ($facing->isSide($found)) {
                $steepest = min($steepest, $found[1]);
                $draft = rad2deg(asin($found[1]));
                for ($band = 0; $draft >= self::BANDS[$band + 1] - 1e-6 && $band < count($bands) - 1; $band++);
                $bands[$band] += $twice / 2;
            }
            $shadow->add($facet[$u], $facet[$v], $facet[$u + 3], $facet[$v + 3], $facet[$u + 6], $facet[$v + 6]);
        }
        [$open, $turned] = $edges->faults();
        $mm = $in->units->millimetres();
        $cm2 = $mm ** 2 / 100;
        $volume = $open === 0 && $turned === 0 ? abs($survey->volume) * $mm ** 3 / 1000 : null;
        $draft = $steepest === INF ? null : rad2deg(asin($steepest));
        $box = new Box(...array_map(
            static fn (float $high, float $low): float => ($high - $low) * $mm,
            $survey->high,
            $survey->low,
        ));
        $longest = max($box->x, $box->y, $box->z);
        $result = new MeasureResult(
            $survey->facets,
            $volume,
            $area * $cm2,
            $shadow->area() * $cm2,
            $box,
            $draft,
            $undercut * $cm2,
            $open === 0,
            $open,
            $degenerate,
            array_map(
                static fn (int $i, float $a): DraftBand => new DraftBand(
                    self::BANDS[$i],
                    self::BANDS[$i + 1],
                    $a * $cm2,
                ),
                array_keys($bands),
                $bands,
            ),
        );

        return $result
            ->explain(sprintf('%s, %.1f cm² of shadow; %s; %s.', $volume === null
                ? 'No volume, for the mesh is not closed'
                : sprintf(
                    '%.1f cm³',
                    $volume,
                ), $result->projected_area_cm2,
                $draft === null ? 'no sides' : sprintf('the steepest side has %.1f° of draft', $draft),
                $result->undercut_area_cm2 > 0
                    ? sprintf('%.2f cm² look away from the pull and hold it', $result->undercut_area_cm2)
                    : 'nothing holds it along the pull'))
            ->warn(
                $open > 0
                    ? "{$open} edges are open or shared by more than two facets: close the mesh where it was drawn; area, shadow and draft still hold."
                    : null,
            )
            ->warn(
                $open === 0 && $turned > 0
                    ? 'Neighbouring facets disagree about which side is out: make the normals agree where it was drawn; draft and undercuts may be wrong.'
                    : null,
            )
            ->warn($survey->insideOut() ? 'The mesh was inside out and has been turned.' : null)
            ->warn(
                $longest > 5000 || $longest < 1
                    ? sprintf('The longest side is %.4g mm: is the unit right?', $longest)
                    : null,
            )
            ->warn($degenerate > 0 ? "{$degenerate} facets have no area and were passed over." : null);
    }
}
