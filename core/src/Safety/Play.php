<?php

declare(strict_types=1);

namespace Dithermic\Core\Safety;

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Material\Matter;
use Dithermic\Core\Material\Polymer;
use Dithermic\Core\Material\PolymerLibrary;

/** Everything that gets hot together: the lots, what was found in them, and what the machine still holds. */
final readonly class Play
{
    /**
     * @param  list<Polymer>  $lots  as the input's lots
     * @param  list<array{string, ?Matter, int}>  $found  the word, what it means, and in which lot
     */
    private function __construct(public array $lots, public array $found, public ?Polymer $last)
    {
    }

    /** @throws InputError for a lot or a last polymer that no word of the library fits */
    public static function of(CheckInput $in, PolymerLibrary $polymers): self
    {
        $lots = $found = [];
        foreach ($in->lots as $i => $lot) {
            $lots[] = self::polymer($lot->polymer, "lots.{$i}.polymer", $polymers);
            foreach ($lot->found as $word) {
                $found[] = [$word, Matter::read($word, $polymers), $i];
            }
        }
        $last = $in->machine->last_polymer === null
            ? null
            : self::polymer($in->machine->last_polymer, 'machine.last_polymer', $polymers);

        return new self($lots, $found, $last);
    }

    private static function polymer(string $word, string $field, PolymerLibrary $polymers): Polymer
    {
        return Matter::read($word, $polymers)->polymer ?? $polymers->get($word, $field);
    }

    /**
     * Polymers that are in play beside the lots, with the words for where.
     *
     * @return list<array{Polymer, string, bool}> the last is true for what the machine holds
     */
    public function beside(CheckInput $in): array
    {
        $beside = [];
        foreach ($this->found as [, $matter, $lot]) {
            if ($matter?->polymer !== null) {
                $beside[] = [$matter->polymer, "found in {$in->lots[$lot]->name()}", false];
            }
        }
        if ($this->last !== null) {
            $beside[] = [$this->last, $in->process->hasBarrel() ? 'still in the barrel' : 'last on this machine', true];
        }

        return $beside;
    }
}
