<?php

declare(strict_types=1);

namespace App\Runs\Data;

use App\Runs\Models\RunOutput;
use OpenApi\Attributes as OA;

/** What came out of a run. */
#[OA\Schema]
final readonly class RunOutputData
{
    public function __construct(
        #[OA\Property(enum: ['goods', 'lot'])] public string $kind,
        #[OA\Property(description: 'pieces; less than none where a verdict was put right')] public ?int $count,
        #[OA\Property] public ?int $lot_id,
        #[OA\Property] public ?string $lot,
        #[OA\Property] public ?float $mass_g,
    ) {
    }

    public static function of(RunOutput $output): self
    {
        return new self(
            $output->kind->value,
            $output->count,
            $output->lot_id,
            $output->lot?->code,
            $output->mass_g === null ? null : (float) $output->mass_g,
        );
    }
}
