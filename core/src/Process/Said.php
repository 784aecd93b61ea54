<?php

declare(strict_types=1);

namespace Dithermic\Core\Process;

/** Who says what of the settings of a piece, in the order in which they are heard. */
final readonly class Said
{
    /** @param  list<array{string, object}>  $by  what each is called, and its settings */
    private function __construct(public array $by)
    {
    }

    /** What a person moved, else the recipe (of the product's own polymer), else the mould, else the product. */
    public static function of(
        ?object $moved,
        ?object $recipe,
        string $recipeName,
        object $product,
        ?Settles $mould = null,
    ): self {
        $by = [];
        if ($moved !== null) {
            $by[] = ['set here', $moved];
        }
        if ($recipe !== null) {
            $by[] = [$recipeName, $recipe];
        }
        if ($mould !== null) {
            $by[] = [$mould->calledAs(), $mould->settings()];
        }

        return new self([...$by, ['the product', $product]]);
    }
}
