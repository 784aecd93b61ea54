<?php

declare(strict_types=1);

namespace App\Causes\Data;

use App\Runs\Data\RunLinkData;
use OpenApi\Attributes as OA;

/** What a run taught of the next set-up, and what was said to it. */
#[OA\Schema]
final readonly class LessonData
{
    /** @param  list<RunLinkData>  $runs */
    public function __construct(
        #[OA\Property] public string $setting,
        #[OA\Property] public ?float $was,
        #[OA\Property] public float $becomes,
        #[OA\Property(description: 'one sentence')] public string $says,
        #[OA\Property(
            description: 'earlier ones of it on this machine that say the same',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/RunLinkData'),
        )]
        public array $runs,
        #[OA\Property(description: 'earlier ones that were looked at')] public int $of,
        #[OA\Property(description: 'null while nobody has said')] public ?bool $taken,
        #[OA\Property] public ?string $by,
        #[OA\Property] public ?float $at,
    ) {
    }
}
