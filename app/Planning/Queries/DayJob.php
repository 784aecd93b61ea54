<?php

declare(strict_types=1);

namespace App\Planning\Queries;

use App\Planning\Data\OrderData;
use App\Runs\Queries\ToMake;
use App\Shop\Models\Product;
use Dithermic\Core\Stock\Demand;

/** What has to be made on a day, for an order or for the shelf, and how it would be. */
final readonly class DayJob
{
    public function __construct(
        public Product $product,
        public Demand $demand,
        public ToMake $making,
        public ?OrderData $order,
    ) {
    }
}
