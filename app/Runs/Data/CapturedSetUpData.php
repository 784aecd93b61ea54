<?php

declare(strict_types=1);

namespace App\Runs\Data;

use App\Runs\Models\CapturedSetUp;
use App\Support\Seconds;
use OpenApi\Attributes as OA;

/** What a machine's controller showed while it made good pieces. */
#[OA\Schema]
final readonly class CapturedSetUpData
{
    /** @param  list<string>  $pictures */
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public string $run_id,
        #[OA\Property] public int $run_number,
        #[OA\Property] public int $machine_id,
        #[OA\Property] public string $machine,
        #[OA\Property] public ?string $mould,
        #[OA\Property(type: 'object', additionalProperties: new OA\AdditionalProperties(type: 'number'))] public object $shown,
        #[OA\Property(description: 'photographs of its pages', type: 'array', items: new OA\Items(type: 'string'))] public array $pictures,
        #[OA\Property] public string $by,
        #[OA\Property(description: 's since 1970 UTC')] public float $at,
    ) {
    }

    public static function of(CapturedSetUp $of): self
    {
        return new self(
            $of->id,
            $of->run_id,
            $of->run->number,
            $of->machine_id,
            $of->machine->name,
            $of->mould?->name,
            (object) $of->shown,
            $of->pictures,
            $of->by->name,
            Seconds::of($of->at),
        );
    }
}
