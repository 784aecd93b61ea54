<?php

declare(strict_types=1);

namespace Dithermic\Core\Stock;

/** So many of a product that have to be made, for an order or for the shelf. */
final readonly class Demand
{
    private function __construct(
        public ?string $order,
        public int $count,
        public ?float $due,
    ) {
    }

    /**
     * What stands on the shelf goes to the orders that are due first; what is missing to them is made for them, and the
     * shelf is filled up again after that where it is at or under its mark.
     *
     * @param  list<array{id: string, count: int, due: float}>  $orders  open ones; due in s since 1970 UTC
     * @return list<self> orders by when they are due, then the shelf
     */
    public static function of(int $held, ?int $reorderAt, ?int $makeTo, array $orders): array
    {
        usort($orders, static fn (array $a, array $b): int => [$a['due'], $a['id']] <=> [$b['due'], $b['id']]);
        $left = max(0, $held);
        $demands = [];
        foreach ($orders as $order) {
            $missing = max(0, $order['count'] - $left);
            $left = max(0, $left - $order['count']);
            if ($missing > 0) {
                $demands[] = new self($order['id'], $missing, $order['due']);
            }
        }
        $shelf = (new Shelf($left, $reorderAt, $makeTo))->wants();

        return $shelf > 0 ? [...$demands, new self(null, $shelf, null)] : $demands;
    }
}
