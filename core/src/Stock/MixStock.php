<?php

declare(strict_types=1);

namespace Dithermic\Core\Stock;

use InvalidArgumentException;

/** How much of a mix what is on the shelves gives: the part that runs out first says it. */
final readonly class MixStock
{
    private function __construct(
        /** g of the whole mix */
        public float $gives_g,
        /** the part that runs out first */
        public string $runs_out,
    ) {
    }

    /**
     * A mix of parts w in shares w/Σw takes m·w/Σw of each: the most is the least of held·Σw/w.
     *
     * @param  non-empty-list<array{name: string, parts: float, held_g: float}>  $parts  parts above 0, in any unit
     */
    public static function of(array $parts): self
    {
        $all = array_sum(array_column($parts, 'parts'));
        $most = new self(INF, '');
        foreach ($parts as $part) {
            if ($part['parts'] <= 0.0) {
                throw new InvalidArgumentException("{$part['name']} has no part in the mix");
            }
            $gives = max(0.0, $part['held_g']) * $all / $part['parts'];
            if ($gives < $most->gives_g) {
                $most = new self($gives, $part['name']);
            }
        }

        return $most;
    }
}
