<?php

declare(strict_types=1);

namespace App\Planning\Data;

use OpenApi\Attributes as OA;

/** The shop's last days, planned again with one more of each. */
#[OA\Schema]
final readonly class LastDaysData
{
    /** @param  list<OneMoreData>  $options */
    public function __construct(
        #[OA\Property(description: 'how far back was looked')] public int $days,
        #[OA\Property(description: 'of them, on which more than one run was made')] public int $made,
        #[OA\Property(description: 'of those, the newest that could be planned again in the time that there was')]
        public int $worked,
        #[OA\Property(description: 'days in a year on which the shop works, as it did in these')] public int $days_year,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/OneMoreData'))]
        public array $options,
    ) {
    }
}
