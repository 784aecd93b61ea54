<?php

declare(strict_types=1);

namespace App\Planning\Queries;

use App\Planning\Data\OrderData;
use App\Shop\Data\GoodsData;
use App\Shop\Data\OperationData;

/** Pieces that wait to be finished on a day. */
final readonly class DayWork
{
    private const JOB = 'finish-';

    /** @param  float|null  $due  of the first order that the shelf has too few for, s since 1970 UTC */
    private function __construct(public GoodsData $goods, public ?float $due)
    {
    }

    /**
     * @param  list<GoodsData>  $goods
     * @param  list<OrderData>  $orders  open ones
     * @return array<string, self> by job
     */
    public static function of(array $goods, array $orders): array
    {
        $works = [];
        foreach ($goods as $g) {
            if ($g->to_finish === 0) {
                continue;
            }
            $left = max(0, $g->held);
            $due = null;
            foreach ($orders as $order) {
                if ($order->product_id === $g->product_id) {
                    $left -= $order->count;
                    $due ??= $left < 0 ? $order->due : null;
                }
            }
            $works[self::JOB.$g->product_id] = new self($g, $due);
        }

        return $works;
    }

    /** Whether a job of a plan is one of these. */
    public static function has(string $job): bool
    {
        return str_starts_with($job, self::JOB);
    }

    /** trim, drill: syrup feeder tray */
    public function says(): string
    {
        $titles = array_map(static fn (OperationData $o): string => $o->title, $this->goods->operations);

        return implode(', ', $titles).": {$this->goods->product}";
    }

    public function pieceMin(): float
    {
        return array_sum(array_map(static fn (OperationData $o): float => $o->minutes, $this->goods->operations));
    }

    public function people(): int
    {
        return max(1, ...array_map(static fn (OperationData $o): int => $o->people, $this->goods->operations));
    }
}
