<?php

declare(strict_types=1);

namespace Dithermic\Core\Finishing;

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\InputError;

/** What is done to a piece after it came out of its run: trim, drill, saw, sand, fit. */
final readonly class Operation implements Checked
{
    private const LONGEST = 60;

    /** @param  list<PartUse>  $uses */
    public function __construct(
        #[Field('in a word or two')] public string $title,
        #[Field('for each piece', 'min', above: 0, max: 1440)] public float $minutes,
        #[Field('whose hands it wants at once', '', min: 1, max: 4)] public int $people = 1,
        #[Field('bought-in parts', of: PartUse::class, atMost: 20)] public array $uses = [],
    ) {
    }

    public function check(): void
    {
        if (trim($this->title) === '' || mb_strlen($this->title) > self::LONGEST) {
            throw new InputError('title', 'must be there, of at most '.self::LONGEST.' letters');
        }
    }
}
