<?php

declare(strict_types=1);

namespace Dithermic\Core\Run;

use Dithermic\Core\Data\Record;

/**
 * What carries each piece through some of its places, as a mould does: no more pieces are there at once than there are
 * of it.
 */
final readonly class Carrier
{
    /**
     * @param  string  $title  one of them
     * @param  string  $plan  the number of the plan that says how many there are
     * @param  list<string>  $places  where it is with its piece
     */
    public function __construct(public string $title, public string $plan, public array $places)
    {
    }

    /** Whether it stands at a place with its piece. */
    public function goesTo(string $place): bool
    {
        return in_array($place, $this->places, true);
    }

    public static function of(Record $of): self
    {
        return new self($of->text('title'), $of->text('plan'), $of->texts('places'));
    }
}
