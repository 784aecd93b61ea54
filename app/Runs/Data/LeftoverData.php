<?php

declare(strict_types=1);

namespace App\Runs\Data;

use Dithermic\Core\Process\Leftover;
use OpenApi\Attributes as OA;

/** What a run left besides good pieces, and the containers that it went into. */
#[OA\Schema]
final readonly class LeftoverData
{
    /** @param  list<RunOutputData>  $kept */
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public string $title,
        #[OA\Property] public string $form,
        #[OA\Property(description: 'g, by the log and the plan')] public float $mass_g,
        #[OA\Property] public string $because,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/RunOutputData'))]
        public array $kept,
    ) {
    }

    /** @param  list<RunOutputData>  $kept */
    public static function of(Leftover $of, array $kept): self
    {
        return new self($of->id, $of->title, $of->form, $of->mass_g, $of->because, $kept);
    }
}
