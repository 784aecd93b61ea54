<?php

declare(strict_types=1);

namespace App\Planning\Data;

use OpenApi\Attributes as OA;

/** A day: what was made, what is under way, what comes, with whose hands. */
#[OA\Schema]
final readonly class DayData
{
    /**
     * @param  list<DayLaneData>  $lanes
     * @param  list<DayLaneData>  $hands
     * @param  list<DayJobData>  $jobs
     * @param  list<DayWorkData>  $works
     * @param  list<OrderData>  $orders
     * @param  list<StandstillData>  $standstills
     * @param  list<DayOffData>  $days_off
     * @param  list<string>  $moved
     * @param  list<string>  $why_not_more
     */
    public function __construct(
        #[OA\Property] public float $now,
        #[OA\Property] public float $from,
        #[OA\Property] public float $until,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/DayLaneData'))] public array $lanes,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/DayLaneData'))] public array $hands,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/DayJobData'))] public array $jobs,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/DayWorkData'))] public array $works,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/OrderData'))] public array $orders,
        #[OA\Property(
            description: 'machines that stand today because somebody works on them',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/StandstillData'),
        )]
        public array $standstills,
        #[OA\Property(
            description: 'from this one on, those on which nobody works',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/DayOffData'),
        )]
        public array $days_off,
        #[OA\Property(
            description: 'against the plan before',
            type: 'array',
            items: new OA\Items(type: 'string'),
        )]
        public array $moved,
        #[OA\Property(
            description: 'what one more of something would give',
            type: 'array',
            items: new OA\Items(type: 'string'),
        )]
        public array $why_not_more,
        #[OA\Property(description: 'of people between their first and their last hands')] public float $idle_min,
        #[OA\Property(description: 'moments at which two things ring within a minute')] public int $rings_at_once,
        #[OA\Property] public float $supply_peak_a,
        #[OA\Property(description: 'null where nobody has said')] public ?float $supply_a,
        #[OA\Property] public int $phases,
        #[OA\Property(description: 'when the plan was made')] public float $planned_at,
        #[OA\Property(description: 'newest wish, 0 for none; sent back with the next')] public int $after,
    ) {
    }
}
