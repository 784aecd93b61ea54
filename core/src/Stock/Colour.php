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
            foreach (self::linear($swatch) as $i => $value) {
                $linear[$i] += $mass / $sum * $value;
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

    /** How light it looks: 0 black, 1 white. CIE 1976 L* over 100, of the luminance of sRGB. */
    public static function lightness(string $swatch): float
    {
        [$red, $green, $blue] = self::linear($swatch);
        $y = 0.2126 * $red + 0.7152 * $green + 0.0722 * $blue;

        return ($y > 216 / 24389 ? 116 * $y ** (1 / 3) - 16 : $y * 24389 / 27) / 100;
    }

    /** @return array{float, float, float} */
    private static function linear(string $swatch): array
    {
        if (preg_match('/^#[0-9a-f]{6}$/i', $swatch) !== 1) {
            throw new InputError('swatch', "\"{$swatch}\" is not a colour: write #rrggbb");
        }
        $of = static function (int $i) use ($swatch): float {
            $value = hexdec(substr($swatch, 1 + 2 * $i, 2)) / 255;

            return $value <= 0.04045 ? $value / 12.92 : (($value + 0.055) / 1.055) ** 2.4;
        };

        return [$of(0), $of(1), $of(2)];
    }
}
