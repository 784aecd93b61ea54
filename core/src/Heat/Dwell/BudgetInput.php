<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Dwell;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Flatten;
use Dithermic\Core\Material\MaterialInput;

final readonly class BudgetInput
{
    /** @param  list<Stay>  $history */
    public function __construct(
        #[Flatten] public MaterialInput $material,
        #[Field(
            'how long at which temperature, in order',
            of: Stay::class,
            atLeast: 1,
            atMost: 5000,
        )]
        public array $history,
        #[Field('activation energy of its breaking down', 'kJ/mol', min: 1, max: 500)] public float $ea_kj_mol = 120.0,
    ) {
    }
}
