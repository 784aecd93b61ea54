<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Change;

use Dithermic\Core\Calculator\Field;

/** One hose of a mould's water: from a port of the machine to one of the mould, between two of the mould, and back. */
final readonly class Hose
{
    public function __construct(
        public string $from,
        public string $to,
        #[Field('the machine\'s circuit that feeds it, from 1')] public int $circuit,
        #[Field('between two of the mould\'s own')] public bool $loop = false,
        #[Field('as it is tapped')] public string $says = '',
    ) {
    }

    private static function of(string $from, string $to, int $circuit, bool $loop = false): self
    {
        return new self($from, $to, $circuit, $loop, "{$from} → {$to}");
    }

    /**
     * The hoses between a machine's water and a mould's: each circuit of the mould on a feed of its own, or, where the
     * machine has fewer, looped in rows as even as can be.
     *
     * @return list<self>
     */
    public static function between(int $feeds, int $circuits): array
    {
        $hoses = [];
        $next = 1;
        $rows = min($feeds, $circuits);
        for ($row = 1; $row <= $rows; $row++) {
            $length = intdiv($circuits, $rows) + ($row <= $circuits % $rows ? 1 : 0);
            $hoses[] = self::of("feed {$row}", "{$next} in", $row);
            for ($i = 1; $i < $length; $i++) {
                $hoses[] = self::of("{$next} out", ($next + 1).' in', $row, loop: true);
                $next++;
            }
            $hoses[] = self::of("{$next} out", "return {$row}", $row);
            $next++;
        }

        return $hoses;
    }
}
