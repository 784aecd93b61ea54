<?php

declare(strict_types=1);

namespace App\Causes\Data;

use OpenApi\Attributes as OA;

/** What the readings of a machine's last runs say of it. */
#[OA\Schema]
final readonly class MachineLearntData
{
    /**
     * @param  list<string>  $missing
     * @param  list<FactLearntData>  $facts
     * @param  list<string>  $run_ids
     * @param  list<int>  $runs
     */
    public function __construct(
        #[OA\Property(description: 'one sentence')] public string $says,
        #[OA\Property(description: 'good enough to plan by')] public bool $enough,
        #[OA\Property(description: 'plans would come out otherwise by it')] public bool $otherwise,
        #[OA\Property(description: 'what would tell more', type: 'array', items: new OA\Items(type: 'string'))]
        public array $missing,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/FactLearntData'))]
        public array $facts,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $run_ids,
        #[OA\Property(description: 'their numbers', type: 'array', items: new OA\Items(type: 'integer'))]
        public array $runs,
        #[OA\Property(description: 'the newest fact that was seen; sent back with what is said')] public int $after,
    ) {
    }
}
