<?php

declare(strict_types=1);

namespace App\Shop\Data;

use OpenApi\Attributes as OA;

/** A machine with its whole log of facts. */
#[OA\Schema]
final readonly class MachineDetailData
{
    /** @param  list<MachineFactData>  $log */
    public function __construct(
        #[OA\Property] public MachineData $machine,
        #[OA\Property] public MachineKindData $kind,
        #[OA\Property(
            description: 'oldest first; the newest of a name counts',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/MachineFactData'),
        )]
        public array $log,
        #[OA\Property(description: 'of the newest fact: give it back as `after`')] public int $after,
        #[OA\Property(description: 'pieces that a mould has made in this shop')] public ?int $made,
        #[OA\Property(description: 'its readings can be asked what it really can do')] public bool $learns,
    ) {
    }
}
