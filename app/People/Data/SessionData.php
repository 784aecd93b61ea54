<?php

declare(strict_types=1);

namespace App\People\Data;

use OpenApi\Attributes as OA;

/** Who is signed in here, and who may switch to this screen by PIN. */
#[OA\Schema]
final readonly class SessionData
{
    /**
     * @param  list<PersonData>  $people
     */
    public function __construct(
        #[OA\Property] public ?PersonData $person,
        #[OA\Property] public PreferencesData $preferences,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/PersonData'))] public array $people,
        #[OA\Property] public float $server_time,
        /** told once, when somebody signs in or takes over: what an entry made here carries to prove its author */
        #[OA\Property] public ?string $sitting = null,
    ) {
    }
}
