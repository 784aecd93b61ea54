<?php

declare(strict_types=1);

namespace Dithermic\Core\Quantity;

use Dithermic\Core\Calculator\InputError;

/** A number with its dimension, kept in the shop's unit (mm, g, °C, bar, min), made from what people type. */
final readonly class Quantity
{
    private function __construct(public float $value, public Dimension $dimension, public string $typedUnit)
    {
    }

    /**
     * "3/4 in", "1 1/2 in", "19mm", "8,5 kg", "365 F", "22 inHg", "5 ft 3 in", "1:30" (h:min for a time).
     * A bare number is in `bareUnit`. A comma before exactly three digits could mean a thousand or a decimal, and is
     * refused rather than guessed.
     *
     * @throws InputError naming `field`
     */
    public static function parse(
        string $text,
        Dimension $dimension,
        ?string $bareUnit = null,
        string $field = 'text',
    ): self {
        // What a screen shows is read back: a narrow space groups thousands.
        $text = (string) preg_replace('/(?<=\d)\x{202F}(?=\d{3})/u', '', mb_scrub($text, 'UTF-8'));
        $typed = trim(str_replace(
            ["\u{00A0}", "\u{202F}", "\u{2212}", "\u{00BD}", "\u{00BC}", "\u{00BE}"],
            [' ', ' ', '-', ' 1/2', ' 1/4', ' 3/4'],
            $text,
        ));
        if ($typed === '') {
            throw new InputError($field, 'is empty: type a number, with a unit if you like');
        }
        if (strlen($typed) > 60) {
            throw new InputError($field, 'is too long for a number');
        }
        if ($dimension === Dimension::Time && preg_match('/^(\d{1,3}):([0-5]\d)$/', $typed, $clock)) {
            return new self(60.0 * (int) $clock[1] + (int) $clock[2], $dimension, 'h:min');
        }
        $number = '(?:\d+\s+\d+\/\d+|\d+\/\d+|\d[\d.,\x{2019}]*|[.,]\d+)';
        if (! preg_match_all("/\G\s*(-?{$number})\s*([a-z°%\"']*)/iu", $typed, $parts, PREG_SET_ORDER)
            || strlen(implode('', array_column($parts, 0))) !== strlen($typed)) {
            throw new InputError(
                $field,
                "\"{$text}\" is not a {$dimension->value}: write a number and a unit such as {$dimension->unit()}",
            );
        }
        $units = $dimension->units();
        $bare = mb_strtolower($bareUnit ?? $dimension->unit());
        if (
            count($parts) > 1
            && (
                $dimension === Dimension::Temperature
                    || $dimension === Dimension::Pressure
                    || $dimension === Dimension::Number
            )
        ) {
            throw new InputError($field, "\"{$text}\" holds more than one number");
        }
        $sum = 0.0;
        $unit = $bare;
        $before = INF;
        foreach ($parts as $part) {
            $written = mb_strtolower($part[2]);
            if ($written === '' && count($parts) > 1) {
                throw new InputError($field, "\"{$text}\" holds more than one number: give each its unit");
            }
            $unit = $written === '' ? $bare : $written;
            if (! isset($units[$unit])) {
                throw new InputError(
                    $field,
                    "\"{$part[2]}\" is not a unit of {$dimension->value}: use ".implode(', ', array_keys($units)),
                );
            }
            [$factor, $offset] = $units[$unit];
            if ($factor >= $before) {
                throw new InputError($field, "\"{$text}\" repeats a unit or goes from small to large");
            }
            $before = $factor;
            $sum += self::number($part[1], $text, $field) * $factor + $offset;
        }
        $floor = $dimension->floor();
        if ($floor !== null && $sum < $floor) {
            throw new InputError(
                $field,
                $dimension === Dimension::Temperature ? 'is below absolute zero' : 'cannot be negative',
            );
        }

        return new self($sum, $dimension, $unit);
    }

    /** The value in another unit of the same dimension. */
    public function in(string $unit): float
    {
        [$factor, $offset] = $this->dimension->units()[mb_strtolower($unit)]
            ?? throw new InputError('unit', "\"{$unit}\" is not a unit of {$this->dimension->value}");

        return ($this->value - $offset) / $factor;
    }

    public static function of(float $value, Dimension $dimension): self
    {
        return new self($value, $dimension, $dimension->unit());
    }

    private static function number(string $written, string $text, string $field): float
    {
        $written = trim($written);
        $sign = str_starts_with($written, '-') ? -1 : 1;
        $written = ltrim($written, '-');
        if (preg_match('/^(?:(\d+)\s+)?(\d+)\/(\d+)$/', $written, $fraction)) {
            if ((int) $fraction[3] === 0) {
                throw new InputError($field, "\"{$text}\" divides by zero");
            }

            return $sign * ((float) $fraction[1] + (float) $fraction[2] / (float) $fraction[3]);
        }
        $plain = str_replace("\u{2019}", '', $written);
        $comma = strrpos($plain, ',');
        $point = strrpos($plain, '.');
        if ($comma !== false && $point !== false) {
            // Both: the last one is the decimal mark, the other groups thousands.
            $plain = $comma > $point ? strtr($plain, ['.' => '', ',' => '.']) : str_replace(',', '', $plain);
        } elseif ($comma !== false) {
            if (preg_match('/^[1-9]\d{0,2}(,\d{3})+$/', $plain)) {
                throw new InputError(
                    $field,
                    "\"{$text}\" could be ".str_replace(',', '', $plain).' or '.preg_replace(
                        '/,/',
                        '.',
                        $plain,
                        1,
                    ).': leave the comma out or write a point',
                );
            }
            $plain = str_replace(',', '.', $plain);
        }
        if (! is_numeric($plain)) {
            throw new InputError($field, "\"{$text}\" is not a number");
        }

        return $sign * (float) $plain;
    }
}
