<?php

declare(strict_types=1);

namespace App\Shop\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A part that the shop buys: screws, clips, felt. What of it stands there is the sum of its movements.
 *
 * @property int $id
 * @property string $name
 * @property int|null $reorder_at at so many or fewer more are ordered
 * @property int|null $order_to how many there ought to be then
 * @property int|null $comes_days from the order to the shelf
 * @property int $revision how often it was changed, from 1
 * @property CarbonImmutable|null $retired_at
 */
final class BoughtPart extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.vP';

    /** @return HasMany<PartMovement, $this> */
    public function movements(): HasMany
    {
        return $this->hasMany(PartMovement::class, 'part_id');
    }

    public function held(): int
    {
        return (int) $this->movements()->sum('count');
    }

    protected function casts(): array
    {
        return ['retired_at' => 'immutable_datetime'];
    }
}
