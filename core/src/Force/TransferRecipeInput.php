<?php

declare(strict_types=1);

namespace Dithermic\Core\Force;

final readonly class TransferRecipeInput
{
    public function __construct(
        public ScrewMachine $from,
        public ScrewMachine $to,
        public ScrewRecipe $recipe,
    ) {
    }
}
