<?php

declare(strict_types=1);

namespace App\Runs\Data;

use Dithermic\Core\Process\Inside;
use OpenApi\Attributes as OA;

/** What is in the machine of a run now, as its log says. */
#[OA\Schema]
final readonly class InsideData
{
    /** @param  list<array{mass_g: float, age_s: float}>  $layers */
    public function __construct(
        #[OA\Property(description: 'the moment, s since 1970')] public float $at,
        #[OA\Property] public float $mass_g,
        #[OA\Property] public float $capacity_g,
        #[OA\Property(description: 'what one piece takes')] public float $piece_g,
        #[OA\Property(description: 'that it is enough for')] public int $pieces,
        #[OA\Property] public ?float $oldest_s,
        #[OA\Property(description: 'share of its time that the next piece has spent')] public ?float $used,
        #[OA\Property] public ?float $minutes_left,
        #[OA\Property(enum: ['ok', 'near', 'over'], nullable: true)] public ?string $verdict,
        #[OA\Property(
            description: 'from where it comes out to where it goes in',
            type: 'array',
            items: new OA\Items(properties: [
                new OA\Property(property: 'mass_g', type: 'number'),
                new OA\Property(property: 'age_s', type: 'number'),
            ], required: ['mass_g', 'age_s'], type: 'object'),
        )]
        public array $layers,
        #[OA\Property] public string $says,
        #[OA\Property] public ?string $do,
    ) {
    }

    public static function of(Inside $inside): self
    {
        return new self(...['verdict' => $inside->verdict?->value] + get_object_vars($inside));
    }
}
