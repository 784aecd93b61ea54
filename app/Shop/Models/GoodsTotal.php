<?php

declare(strict_types=1);

namespace App\Shop\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * How many of a product all runs made: kept by the database in step with what came out of them, read and never written
 * here.
 *
 * @property int $product_id
 * @property int $made
 */
final class GoodsTotal extends Model
{
    public $timestamps = false;

    public $incrementing = false;

    protected $primaryKey = 'product_id';
}
