<?php

declare(strict_types=1);

namespace Dithermic\Core\Process;

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Data\Record;
use Dithermic\Core\Material\Polymer;

/** What stays in a machine when its run is over: the first thing of the next. */
final readonly class Left
{
    private const EMPTY = 'empty';

    private const OWN = 'what was run';

    private const STAYS = 'stays in';

    /**
     * @param  string|null  $polymer  code of what the barrel is full of; null where it is empty
     * @param  bool  $own  it is what was run, in its colour
     */
    public function __construct(public ?string $polymer, public bool $own, public bool $mouldStays)
    {
    }

    /**
     * @param  Record  $values  of the entry: what is left in it, and the mould where the process has one
     *
     * @throws InputError where that may not stay
     */
    public static function of(Record $values, Polymer $run): self
    {
        $what = $values->text('what');
        if ($what === self::OWN && ($run->breaksDownViolently() || $run->neverHot())) {
            throw new InputError(
                'what',
                "cannot be {$run->code}: it breaks down in a barrel that heats up. Push it out with HDPE or PP, at a heat that both stand",
            );
        }

        return new self(
            match ($what) {
                self::EMPTY => null,
                self::OWN => $run->code,
                default => $what,
            },
            $what === self::OWN,
            $values->mayText('mould') === self::STAYS,
        );
    }
}
