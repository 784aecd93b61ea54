<?php

declare(strict_types=1);

namespace App\Planning\Queries;

use App\Shop\Data\GoodsData;
use App\Shop\Data\OperationData;
use Dithermic\Core\Stock\Demand;

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
     * @param  array<int, list<array{id: string, count: int, due: float}>>  $by  open orders, by product
     * @return array<string, self> by job
     */
    public static function of(array $goods, array $by): array
    {
        $works = [];
        foreach ($goods as $g) {
            if ($g->to_finish === 0) {
                continue;
            }
            // What stands there goes to the orders that are due first; these wait for the first that it is not enough
            // for.
            $short = Demand::of($g->held, null, null, $by[$g->product_id] ?? []);
            $works[self::JOB.$g->product_id] = new self($g, $short[0]->due ?? null);
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
}
