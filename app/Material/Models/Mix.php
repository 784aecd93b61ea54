<?php

declare(strict_types=1);

namespace App\Material\Models;

use App\People\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A named, versioned mix by parts. Append-only: a change is the next version.
 *
 * @property int $id
 * @property string $name
 * @property int $version
 * @property string $polymer
 * @property list<array{name: string, swatch: string, parts: float, kind: string}> $components
 * @property string $note
 * @property CarbonImmutable $created_at
 * @property User $by
 */
final class Mix extends Model
{
    public $timestamps = false;

    protected $fillable = ['name', 'version', 'polymer', 'components', 'note', 'by_id', 'created_at'];

    protected $dateFormat = 'Y-m-d H:i:s.vP';

    /** @return BelongsTo<User, $this> */
    public function by(): BelongsTo
    {
        return $this->belongsTo(User::class, 'by_id');
    }

    protected function casts(): array
    {
        return ['components' => 'array', 'created_at' => 'immutable_datetime'];
    }
}
