<?php

declare(strict_types=1);

namespace Dithermic\Core\Stock;

use Dithermic\Core\Calculator\InputError;

/**
 * Colours of swatches as "#rrggbb", mixed in linear light (sRGB, IEC 61966-2-1): what flakes look like from some way
 * off.
 */
final class Colour
{
    /**
     * @param  non-empty-list<array{string, float}>  $parts  swatch and its share by mass
     */
    public static function mean(array $parts): string
    {
        $sum = array_sum(array_column($parts, 1));
        $linear = [0.0, 0.0, 0.0];
        foreach ($parts as [$swatch, $mass]) {
            if (preg_match('/^#[0-9a-f]{6}$/i', $swatch) !== 1) {
                throw new InputError('swatch', "\"{$swatch}\" is not a colour: write #rrggbb");
            }
            foreach ([0, 1, 2] as $i) {
                $value = hexdec(substr($swatch, 1 + 2 * $i, 2)) / 255;
                $linear[$i] += $mass / $sum * ($value <= 0.04045 ? $value / 12.92 : (($value + 0.055) / 1.055) ** 2.4);
            }
        }

        return '#'.implode(
            '',
            array_map(
                static fn (float $l): string => sprintf(
                    '%02x',
                    (int) round(255 * ($l <= 0.0031308 ? 12.92 * $l : 1.055 * $l ** (1 / 2.4) - 0.055)),
                ),
                $linear,
            ),
        );
    }
}
