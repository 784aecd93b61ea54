<?php

declare(strict_types=1);

namespace App\Causes\Data;

use Dithermic\Core\Learning\WindowResult;
use Dithermic\Core\Process\Figure;
use OpenApi\Attributes as OA;

/** The window of a product as it was run. */
#[OA\Schema]
final readonly class AsRunData
{
    /** @param  list<WindowRunData>  $runs */
    public function __construct(
        #[OA\Property(ref: '#/components/schemas/Figure')] public Figure $x,
        #[OA\Property(ref: '#/components/schemas/Figure')] public Figure $y,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/WindowRunData'))]
        public array $runs,
        #[OA\Property(description: 'of the set-up that the next one opens with, as the last run had it')]
        public float $x_planned,
        #[OA\Property] public float $y_planned,
        #[OA\Property(ref: '#/components/schemas/LearnWindowResult')] public WindowResult $window,
    ) {
    }
}
