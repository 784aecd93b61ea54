<?php

declare(strict_types=1);

namespace App\Instruments\Data;

use OpenApi\Attributes as OA;

/** What an instrument reads of a machine. */
#[OA\Schema]
final readonly class ChannelData
{
    /**
     * @param  list<string>  $may_follow
     * @param  list<string>  $standing
     * @param  list<ChannelEntryData>  $log
     */
    public function __construct(
        #[OA\Property] public int $id,
        #[OA\Property(description: 'as its instrument names it')] public string $key,
        #[OA\Property(description: 'empty where its name says none')] public string $unit,
        #[OA\Property(description: 'newest reading, with what the channel is off by')] public ?float $value,
        #[OA\Property(description: 'of that, seconds since 1970 UTC')] public ?float $at,
        #[OA\Property(description: 'added to what it sends')] public float $offset,
        #[OA\Property(description: 'null where it was never held beside what is right')] public ?float $calibrated_at,
        #[OA\Property(enum: ['never', 'run', 'always'])] public string $watched,
        #[OA\Property] public ?float $low,
        #[OA\Property] public ?float $high,
        #[OA\Property(description: 'a number of the run\'s plan: low and high are distances from it')]
        public ?string $follows,
        #[OA\Property(
            description: 'numbers of a plan in its unit',
            type: 'array',
            items: new OA\Items(type: 'string'),
        )]
        public array $may_follow,
        #[OA\Property] public float $delay_s,
        #[OA\Property] public ?float $silent_s,
        #[OA\Property(description: 'most change in a minute')] public ?float $per_min,
        #[OA\Property(description: 'between what it should stay, in words')] public string $says,
        #[OA\Property(
            description: 'alarms that stand',
            type: 'array',
            items: new OA\Items(type: 'string', enum: ['low', 'high', 'fast', 'silent']),
        )]
        public array $standing,
        #[OA\Property(description: 'newest entry of its log; sent back with what is said next')] public int $after,
        #[OA\Property(
            description: 'newest first, the last ten',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/ChannelEntryData'),
        )]
        public array $log,
    ) {
    }
}
