<?php

declare(strict_types=1);

namespace Dithermic\Core\Finishing;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Stock\Shelf;

/**
 * What finishing takes of hands and of bought-in parts, and how many pieces can be finished with those that are there:
 * minutes add up over the operations, and the part that gives out first holds the rest back (⌊held / each⌋, the least
 * of all). What is to be ordered is what the shelf wants once these pieces have taken theirs.
 */
#[Calc('finish.work', 'what finishing takes of hands and parts, and how many can be finished now')]
final readonly class Work
{
    public function __invoke(WorkInput $in): WorkResult
    {
        $held = [];
        foreach ($in->parts as $i => $part) {
            if (isset($held[$part->part])) {
                throw new InputError("parts.{$i}.part", "is there twice: {$part->part}");
            }
            $held[$part->part] = $part;
        }
        $each = self::each($in->operations);
        $can = $in->pieces;
        $wanted = [];
        foreach ($each as $part => $count) {
            // A name of digits is a number as a key.
            $part = (string) $part;
            $there = $held[$part]->held ?? 0;
            $can = min($can, intdiv($there, $count));
            $all = $count * $in->pieces;
            $wanted[] = new PartWanted(
                $part,
                $count,
                $all,
                $there,
                max(0, $all - $there),
                self::order($held[$part] ?? null, max(0, $there - $all)),
            );
        }
        $minutes = array_sum(array_map(static fn (Operation $o): float => $o->minutes, $in->operations));
        $hands = array_sum(array_map(static fn (Operation $o): float => $o->minutes * $o->people, $in->operations));
        $result = new WorkResult(
            $minutes,
            $hands,
            $hands * $in->pieces,
            max(array_map(static fn (Operation $o): int => $o->people, $in->operations) ?: [1]),
            $can,
            $wanted,
        );
        foreach ($wanted as $part) {
            if ($part->missing > 0) {
                $result->warn("{$part->wanted} × {$part->part} are wanted, and {$part->held} are there: {$part->missing} are missing.");
            }
        }

        return $result->explain(sprintf(
            '%d to finish take %.0f min of hands, %.1f min each%s.',
            $in->pieces,
            $result->all_hands_min,
            $hands,
            $can < $in->pieces ? "; {$can} can be finished with what is there" : '',
        ));
    }

    /**
     * How many of a part to order once so many of it are left.
     *
     * @throws InputError reorder_at or order_to, where one of them is missing or they do not go together
     */
    public static function order(?PartHeld $part, int $left): int
    {
        try {
            return (new Shelf($left, $part?->reorder_at, $part?->order_to))->wants();
        } catch (InputError $error) {
            throw $error->field === 'make_to' ? new InputError('order_to', $error->getMessage()) : $error;
        }
    }

    /**
     * What one piece takes of each part.
     *
     * @param  list<Operation>  $operations
     * @return array<array-key, int> by name
     */
    public static function each(array $operations): array
    {
        $each = [];
        foreach ($operations as $operation) {
            foreach ($operation->uses as $use) {
                $each[$use->part] = ($each[$use->part] ?? 0) + $use->count;
            }
        }
        ksort($each);

        return array_map(intval(...), $each);
    }
}
