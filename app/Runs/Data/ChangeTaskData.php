<?php

declare(strict_types=1);

namespace App\Runs\Data;

use Dithermic\Core\Process\Change\ChangeTask;
use OpenApi\Attributes as OA;

/** A task of a job change, as it stands. */
#[OA\Schema]
final readonly class ChangeTaskData
{
    /**
     * @param  list<string>  $tapped
     * @param  list<ChangeLookData>  $looks
     */
    public function __construct(
        #[OA\Property(ref: '#/components/schemas/ChangeTask')] public ChangeTask $task,
        #[OA\Property(enum: ['waits', 'ready', 'under_way', 'through', 'passed'])] public string $state,
        #[OA\Property(description: 's since 1970 UTC, as it went or as it is foretold')] public float $from,
        #[OA\Property] public float $to,
        #[OA\Property(description: 'what is still to be done before it may be over')] public ?string $lacks,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $tapped,
        #[OA\Property(
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/ChangeLookData'),
        )]
        public array $looks,
        #[OA\Property(description: 'g, weighed as it came')] public float $purged_g,
        #[OA\Property(description: 'why it was left out')] public ?string $passed,
        #[OA\Property(description: 'as it was read when it was over; null before')] public ?string $said,
    ) {
    }
}
