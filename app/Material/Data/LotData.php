<?php

declare(strict_types=1);

namespace App\Material\Data;

use OpenApi\Attributes as OA;

/** A container of one polymer from one source. */
#[OA\Schema]
final readonly class LotData
{
    public function __construct(
        #[OA\Property] public int $id,
        #[OA\Property] public string $code,
        #[OA\Property] public string $polymer,
        #[OA\Property] public string $form,
        #[OA\Property(description: 'what the shredder or densifier makes of it')] public ?string $made_small,
        #[OA\Property] public string $colour,
        #[OA\Property] public string $swatch,
        #[OA\Property] public string $location,
        #[OA\Property] public string $dry_state,
        #[OA\Property] public float $mass_g,
        #[OA\Property] public SourceData $source,
        #[OA\Property(description: 'how often it was shredded and made again')] public int $generation,
        #[OA\Property] public ?float $tare_g,
        #[OA\Property(type: 'object', nullable: true)] public ?object $sheet,
        #[OA\Property] public ?int $reserved_for_id,
        #[OA\Property] public ?string $reserved_for,
        #[OA\Property] public ?string $picture_id,
        #[OA\Property(description: 'how long it may still stand, when it was dried')] public ?float $dry_minutes_left,
        #[OA\Property] public bool $never_hot,
    ) {
    }
}
