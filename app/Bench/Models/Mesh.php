<?php

declare(strict_types=1);

namespace App\Bench\Models;

use App\People\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * An uploaded STL file of a part or a mould; its content is in mesh_parts. It never changes.
 *
 * @property string $id
 * @property string $name
 * @property string $sha256
 * @property int $bytes
 * @property int $facets
 * @property int $by_id
 * @property CarbonImmutable $created_at
 */
final class Mesh extends Model
{
    use HasUuids;

    public const UPDATED_AT = null;

    protected $fillable = ['name', 'sha256', 'bytes', 'facets', 'by_id'];

    /** @return BelongsTo<User, $this> */
    public function by(): BelongsTo
    {
        return $this->belongsTo(User::class, 'by_id');
    }

    protected function casts(): array
    {
        return ['created_at' => 'immutable_datetime', 'bytes' => 'integer'];
    }
}
