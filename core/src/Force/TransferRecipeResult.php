<?php

declare(strict_types=1);

namespace Dithermic\Core\Force;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class TransferRecipeResult extends Result
{
    public function __construct(
        #[Field('for the other machine')] public readonly ScrewRecipe $recipe,
        #[Field('what stays the same')] public readonly Kept $kept,
    ) {
    }
}
