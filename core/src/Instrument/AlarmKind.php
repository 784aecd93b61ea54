<?php

declare(strict_types=1);

namespace Dithermic\Core\Instrument;

/** What can be wrong with what a channel tells. */
enum AlarmKind: string
{
    case Low = 'low';
    case High = 'high';
    case Fast = 'fast';
    case Silent = 'silent';

    /**
     * @param  float  $value  what was read, a change in units a minute, or seconds of silence
     * @param  float  $limit  that it went past
     */
    public function says(float $value, float $limit, string $unit): string
    {
        $with = static fn (float $v): string => rtrim(self::figure($v).' '.$unit);

        return match ($this) {
            self::Low => "{$with($value)}, under {$with($limit)}",
            self::High => "{$with($value)}, over {$with($limit)}",
            self::Fast => sprintf('changes by %s a minute, more than %s', $with($value), $with($limit)),
            self::Silent => sprintf('nothing read for %s s', self::figure($value)),
        };
    }

    private static function figure(float $value): string
    {
        $digits = match (true) {
            abs($value) >= 100 => 0,
            abs($value) >= 10 => 1,
            default => 2,
        };
        $text = number_format($value, $digits, '.', '');

        return $digits === 0 ? $text : rtrim(rtrim($text, '0'), '.');
    }
}
