<?php

declare(strict_types=1);

namespace App\Runs\Queries;

use App\Material\Models\Lot;
use App\Shop\Models\Machine;
use Dithermic\Core\Process\Definition;
use Dithermic\Core\Run\Procedure;
use Dithermic\Core\Schedule\RunLength;

/** How some of a product would be made, and what stands in its way. */
final readonly class ToMake
{
    /**
     * @param  array<string, Machine>  $machines  by role
     * @param  array<string, float|int|string|null>|null  $targets  of the plan; null where there is none
     * @param  int  $pieces  of the procedure
     * @param  int  $perPiece  goods that a piece gives
     * @param  float  $begins  when it could be begun, seconds since 1970 UTC
     * @param  list<string>  $first  what has to be done now
     * @param  list<string>  $holds  why it cannot be begun
     */
    public function __construct(
        public Definition $process,
        public array $machines,
        public ?Machine $main,
        public ?array $targets,
        public ?Procedure $procedure,
        public int $pieces,
        public int $perPiece,
        public ?Lot $lot,
        public float $begins,
        public array $first,
        public array $holds,
    ) {
    }

    public function length(): ?RunLength
    {
        return $this->targets === null || $this->procedure === null
            ? null
            : RunLength::of($this->procedure, $this->targets);
    }
}
