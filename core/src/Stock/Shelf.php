<?php

declare(strict_types=1);

namespace Dithermic\Core\Stock;

use Dithermic\Core\Calculator\InputError;

/** Finished goods of one product: how many stand there, and how many to make once they run short. */
final readonly class Shelf
{
    /**
     * @param  int|null  $reorderAt  at so many or fewer more are made; null where nobody watches it
     * @param  int|null  $makeTo  how many there ought to be then
     *
     * @throws InputError
     */
    public function __construct(public int $held, public ?int $reorderAt, public ?int $makeTo)
    {
        if (($reorderAt === null) !== ($makeTo === null)) {
            throw new InputError(
                $reorderAt === null ? 'reorder_at' : 'make_to',
                'is missing: say both when to make more, and up to how many',
            );
        }
        if ($reorderAt !== null && $makeTo <= $reorderAt) {
            throw new InputError('make_to', "must be above {$reorderAt}, at which more are made");
        }
    }

    /** How many to make now; 0 where there are enough. */
    public function wants(): int
    {
        return $this->reorderAt === null || $this->held > $this->reorderAt ? 0 : (int) $this->makeTo - $this->held;
    }

    /**
     * What taking some away, or counting them, changes.
     *
     * @param  string  $kind  taken: so many go; counted: so many are there
     *
     * @throws InputError count
     */
    public function change(string $kind, int $count): int
    {
        if ($kind === 'counted') {
            return $count - $this->held;
        }
        if ($count < 1) {
            throw new InputError('count', 'must be at least 1 that goes');
        }
        if ($count > $this->held) {
            throw new InputError('count', "is more than the {$this->held} that stand there: count the shelf first");
        }

        return -$count;
    }
}
