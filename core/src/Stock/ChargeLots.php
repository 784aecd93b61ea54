<?php

declare(strict_types=1);

namespace Dithermic\Core\Stock;

use Dithermic\Core\Calculator\InputError;

/** The lots in a weighed charge: the one with most in it names the run. */
final class ChargeLots
{
    /** less than this of a lot is none of it, g */
    private const NONE_G = 0.0005;

    /**
     * @param  array<int, float>  $grams  what is in it now, by lot
     *
     * @throws InputError charge_id, when nothing is in it
     */
    public static function main(array $grams): int
    {
        $in = array_filter($grams, static fn (float $g): bool => $g > self::NONE_G);
        if ($in === []) {
            throw new InputError('charge_id', 'nothing was weighed into this charge');
        }
        arsort($in);

        return array_key_first($in);
    }

    /**
     * @param  array<int, float>  $grams  what is in it now, by lot
     *
     * @throws InputError lot_id, for a lot that nothing was taken from
     */
    public static function mustHold(array $grams, int $lot, string $name): void
    {
        if (($grams[$lot] ?? 0.0) <= self::NONE_G) {
            throw new InputError('lot_id', "nothing of lot {$name} is in this charge: name one of its own lots");
        }
    }
}
