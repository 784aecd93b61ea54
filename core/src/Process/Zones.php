<?php

declare(strict_types=1);

namespace Dithermic\Core\Process;

use Dithermic\Core\Run\RunState;

/** Zones of a barrel that somebody had to take in hand: which were so at a moment, as the run's log says. */
final class Zones
{
    private const ENTRY = 'zone';

    private const MENDED = 'mended';

    /**
     * @param  float|null  $at  s since 1970 UTC; null for now
     * @return list<string> in words, by zone; none where all hold by themselves
     */
    public static function inHand(RunState $state, ?float $at = null): array
    {
        $newest = [];
        foreach ($state->entries as $logged) {
            if ($logged['entry'] === self::ENTRY && ($at === null || $logged['at'] <= $at)) {
                $newest[self::text($logged['values'], 'zone')] = $logged['values'];
            }
        }
        ksort($newest);
        $says = [];
        foreach ($newest as $zone => $values) {
            $what = self::text($values, 'what');
            if ($what !== self::MENDED) {
                $percent = is_numeric($values['percent'] ?? null)
                    ? sprintf(', at %g %% of its power by hand', (float) $values['percent'])
                    : '';
                $says[] = "zone {$zone}: {$what}{$percent}";
            }
        }

        return $says;
    }

    /** @param  array<string, mixed>  $values */
    private static function text(array $values, string $field): string
    {
        return is_scalar($values[$field] ?? null) ? (string) $values[$field] : '';
    }
}
