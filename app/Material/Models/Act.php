<?php

declare(strict_types=1);

namespace App\Material\Models;

use App\Material\Support\ActKind;
use App\People\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * One thing somebody did with material; its id comes from the screen, so that it happens once however often it is sent.
 *
 * @property string $id
 * @property ActKind $kind
 * @property string $reason
 * @property array<string, mixed> $data
 * @property int $by_id
 * @property CarbonImmutable $at
 */
final class Act extends Model
{
    public $incrementing = false;

    public $timestamps = false;

    protected $keyType = 'string';

    protected $fillable = ['id', 'kind', 'reason', 'data', 'by_id', 'at'];

    protected $dateFormat = 'Y-m-d H:i:s.vP';

    /** @return HasMany<LotMovement, $this> */
    public function movements(): HasMany
    {
        return $this->hasMany(LotMovement::class)->orderBy('id');
    }

    /** @return BelongsTo<User, $this> */
    public function by(): BelongsTo
    {
        return $this->belongsTo(User::class, 'by_id');
    }

    protected function casts(): array
    {
        return ['kind' => ActKind::class, 'data' => 'array', 'at' => 'immutable_datetime'];
    }
}
