<?php

declare(strict_types=1);

namespace Dithermic\Core\Mesh;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class MeasureResult extends Result
{
    /** @param  list<DraftBand>  $draft_bands */
    public function __construct(
        public readonly int $facets,
        #[Field('enclosed; none when the mesh is open', 'cm3')] public readonly ?float $volume_cm3,
        #[Field('of the whole surface', 'cm2')] public readonly float $area_cm2,
        #[Field('shadow along the pull, overlaps counted once', 'cm2')] public readonly float $projected_area_cm2,
        public readonly Box $bounding_box_mm,
        #[Field(
            'least draft of a side, below zero when it leans the wrong way; none when there is no side',
            '°',
        )]
        public readonly ?float $min_draft_deg,
        #[Field('faces that look away from the pull', 'cm2')] public readonly float $undercut_area_cm2,
        #[Field('every edge is shared by exactly two facets')] public readonly bool $watertight,
        #[Field('edges that are not shared by exactly two facets')] public readonly int $open_edges,
        #[Field('facets without area')] public readonly int $degenerate_facets,
        #[Field('the sides by their draft', of: DraftBand::class)] public readonly array $draft_bands,
    ) {
    }
}
