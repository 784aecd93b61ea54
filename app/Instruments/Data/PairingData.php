<?php

declare(strict_types=1);

namespace App\Instruments\Data;

use App\Instruments\Models\Pairing;
use App\Support\Seconds;
use OpenApi\Attributes as OA;

/** An instrument that asks to be let in. */
#[OA\Schema]
final readonly class PairingData
{
    /** @param  list<string>  $channels */
    public function __construct(
        #[OA\Property(description: 'as it stands on the instrument')] public string $code,
        #[OA\Property(description: 'what it calls itself')] public string $name,
        #[OA\Property(
            description: 'what it will send',
            type: 'array',
            items: new OA\Items(type: 'string'),
        )]
        public array $channels,
        #[OA\Property(description: 'from where it asked')] public string $address,
        #[OA\Property(description: 'last, s since 1970 UTC')] public float $asked_at,
        #[OA\Property(description: 'where it was paired')] public ?string $machine,
        #[OA\Property(description: 'whether it has fetched its token')] public bool $let_in,
    ) {
    }

    public static function of(Pairing $asks): self
    {
        return new self(
            $asks->code,
            $asks->name,
            $asks->channels,
            $asks->address,
            Seconds::of($asks->asked_at),
            $asks->machine?->name,
            $asks->token_id !== null,
        );
    }
}
