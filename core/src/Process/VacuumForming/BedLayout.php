<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\VacuumForming;

use Dithermic\Core\Calculator\Field;

/** Several parts on one bed, formed of one sheet: in rows as even as the bed lets them, with the least of sheet. */
final readonly class BedLayout
{
    private function __construct(
        #[Field('beside one another along the blank')] public int $along,
        #[Field('and across it')] public int $across,
        #[Field('that they take with what is between, without the clamp\'s rim', 'mm')] public float $length_mm,
        #[Field('', 'mm')] public float $width_mm,
    ) {
    }

    /**
     * @param  int  $parts  at least one
     * @param  array{float|null, float|null}  $bed  that the blank may take, mm; null where it is not known
     */
    public static function of(int $parts, float $length, float $width, float $spacing, float $margin, array $bed): self
    {
        $best = null;
        $fits = static function (self $layout) use ($bed, $margin): bool {
            $blank = [$layout->length_mm + 2 * $margin, $layout->width_mm + 2 * $margin];

            return $bed[0] === null || $bed[1] === null || (max($blank) <= max($bed) && min($blank) <= min($bed));
        };
        for ($along = 1; $along <= $parts; $along++) {
            $across = (int) ceil($parts / $along);
            $layout = new self(
                $along,
                $across,
                $along * $length + ($along - 1) * $spacing,
                $across * $width + ($across - 1) * $spacing,
            );
            // One that fits before one that does not; then the smaller sheet; then the squarer.
            $rank = static fn (self $of): array => [
                $fits($of) ? 0 : 1,
                round(($of->length_mm + 2 * $margin) * ($of->width_mm + 2 * $margin), 3),
                abs($of->length_mm - $of->width_mm),
            ];
            if ($best === null || $rank($layout) < $rank($best)) {
                $best = $layout;
            }
        }
        assert($best !== null);

        return $best;
    }
}
