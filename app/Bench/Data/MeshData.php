<?php

declare(strict_types=1);

namespace App\Bench\Data;

use App\Bench\Models\Mesh;
use OpenApi\Attributes as OA;

/** An uploaded STL file of a part or a mould. */
#[OA\Schema]
final readonly class MeshData
{
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public string $name,
        #[OA\Property] public int $facets,
        #[OA\Property] public int $bytes,
        #[OA\Property] public string $by,
        #[OA\Property(description: 'seconds since 1970 UTC')] public float $at,
        #[OA\Property(description: 'this person may take it away')] public bool $mine,
    ) {
    }

    public static function of(Mesh $mesh, bool $mine): self
    {
        return new self(
            $mesh->id,
            $mesh->name,
            $mesh->facets,
            $mesh->bytes,
            $mesh->by->name ?? '',
            (float) $mesh->created_at->getTimestamp(),
            $mine,
        );
    }
}
