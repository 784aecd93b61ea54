<?php

declare(strict_types=1);

namespace App\Planning\Models;

use App\People\Models\User;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What the shop's supply carries, the newest counts. Append-only.
 *
 * @property int $phases
 * @property float|null $amps on each; null: nobody has said
 */
final class PowerSupply extends Model
{
    public $timestamps = false;

    protected $table = 'supplies';

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.vP';

    /** @return BelongsTo<User, $this> */
    public function by(): BelongsTo
    {
        return $this->belongsTo(User::class, 'by_id');
    }

    protected function casts(): array
    {
        return ['amps' => 'float', 'at' => 'immutable_datetime'];
    }
}
