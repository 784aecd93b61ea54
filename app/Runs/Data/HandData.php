<?php

declare(strict_types=1);

namespace App\Runs\Data;

use Dithermic\Core\Run\Whose;
use OpenApi\Attributes as OA;

/** Something that needs hands. */
#[OA\Schema]
final readonly class HandData
{
    /** @param  list<string>  $whose */
    public function __construct(
        #[OA\Property(description: 'the screen where it is done')] public string $to,
        #[OA\Property] public ?string $run_id,
        #[OA\Property] public ?int $run_number,
        #[OA\Property(description: 'what it is about, in words')] public string $about,
        #[OA\Property] public string $machine,
        #[OA\Property] public float $at,
        #[OA\Property] public string $what,
        #[OA\Property] public string $why,
        #[OA\Property] public string $step,
        #[OA\Property] public ?string $entry,
        #[OA\Property(description: 'what one tap logs; null where more has to be said of it')] public ?string $button,
        #[OA\Property] public ?string $timer,
        #[OA\Property] public int $people,
        #[OA\Property(description: 'null for the run itself')] public ?int $piece,
        #[OA\Property(description: 'of several that wait at once the one that presses most goes first')]
        public float $presses,
        #[OA\Property(description: 'what waits meanwhile, in words')] public string $waits,
        #[OA\Property(description: 'that hands take')] public float $minutes,
        #[OA\Property(description: 'who was at it last; null where nobody was yet')] public ?string $by,
        #[OA\Property(
            description: 'whose hands it wants, by name; none where nobody is known to be here',
            type: 'array',
            items: new OA\Items(type: 'string'),
        )]
        public array $whose = [],
        #[OA\Property(description: 'nobody has come by then: it is everybody\'s; null where nothing waits')]
        public ?float $everyones_at = null,
    ) {
    }

    /** @param  list<string>  $whose */
    public function for(array $whose): self
    {
        $at = Whose::everyonesAt($this->at, $this->timer !== null || $this->entry !== null);

        return new self(...['whose' => $whose, 'everyones_at' => $at] + get_object_vars($this));
    }
}
