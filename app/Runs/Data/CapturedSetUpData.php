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
    /**
     * @param  list<string>  $pictures
     * @param  list<OntoData>  $onto
     */
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public string $run_id,
        #[OA\Property] public int $run_number,
        #[OA\Property] public int $machine_id,
        #[OA\Property] public string $machine,
        #[OA\Property] public ?string $mould,
        #[OA\Property(type: 'object', additionalProperties: new OA\AdditionalProperties(type: 'number'))]
        public object $shown,
        #[OA\Property(
            description: 'of its numbers, by name',
            type: 'object',
            additionalProperties: new OA\AdditionalProperties(type: 'string'),
        )]
        public object $units,
        #[OA\Property(description: 'photographs of its pages', type: 'array', items: new OA\Items(type: 'string'))]
        public array $pictures,
        #[OA\Property] public string $by,
        #[OA\Property(description: 's since 1970 UTC')] public float $at,
        #[OA\Property(
            description: 'what it can be worked out for',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/OntoData'),
        )]
        public array $onto,
    ) {
    }

    /**
     * @param  array<string, string>  $units
     * @param  list<OntoData>  $onto
     */
    public static function of(CapturedSetUp $of, array $units, array $onto): self
    {
        return new self(
            $of->id,
            $of->run_id,
            $of->run->number,
            $of->machine_id,
            $of->machine->name,
            $of->mould?->name,
            (object) $of->shown,
            (object) $units,
            $of->pictures,
            $of->by->name,
            Seconds::of($of->at),
            $onto,
        );
    }
}
