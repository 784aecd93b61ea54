<?php

declare(strict_types=1);

namespace App\Causes\Data;

use OpenApi\Attributes as OA;

/** What somebody answered to a question. */
#[OA\Schema]
final readonly class AnswerData
{
    public function __construct(
        #[OA\Property] public string $question,
        #[OA\Property(description: 'in words')] public string $asked,
        #[OA\Property(enum: ['yes', 'no', 'unknown'])] public string $answer,
    ) {
    }
}
