<?php

declare(strict_types=1);

namespace Dithermic\Core\Stock;

use Dithermic\Core\Calculator\InputError;

/** The lots in a weighed charge: the one with most in it names the run. */
final class ChargeLots
{
    /** less than this of a lot is none of it, g */
    private const NONE_G = 0.0005;

    /** two scales say the same to within this share of a charge */
    private const SCALES_DIFFER = 0.02;

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
     * Whether a charge holds nothing but of some lots.
     *
     * @param  array<int, float>  $grams  by lot
     * @param  array<int, mixed>  $known  by lot
     */
    public static function areOf(array $grams, array $known): bool
    {
        return array_diff_key(array_filter($grams, static fn (float $g): bool => $g > self::NONE_G), $known) === [];
    }

    /**
     * A further charge of a run that is under way: what its start was asked about is all that goes into it.
     *
     * @param  array<int, float>  $grams  by lot
     * @param  array<int, string>  $known  names of the run's lots, by lot
     *
     * @throws InputError
     */
    public static function mustBeOf(array $grams, array $known): void
    {
        if (! self::areOf($grams, $known)) {
            throw new InputError('charge', sprintf(
                'is of another lot than %s, which is what this run was let start with: give it a run of its own',
                implode(', ', $known),
            ));
        }
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

    /** What a run has taken beyond the charges that it was given, g: that comes off its lot. */
    public static function beyond(float $given, float $logged): float
    {
        $over = $logged - $given;

        return $given > 0 && $over <= self::SCALES_DIFFER * $given ? 0.0 : max(0.0, $over);
    }
}
