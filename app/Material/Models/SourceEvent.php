<?php

declare(strict_types=1);

namespace App\Material\Models;

use App\People\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Something that raised or lowered the trust in a source.
 *
 * @property string $act_id
 * @property int $source_id
 * @property string $kind
 * @property string $state
 * @property float|null $worked_at_c
 * @property string|null $run_id
 * @property string|null $picture_id
 * @property string $note
 * @property CarbonImmutable $at
 * @property User $by
 */
final class SourceEvent extends Model
{
    protected $primaryKey = 'act_id';

    public $incrementing = false;

    protected $keyType = 'string';

    public $timestamps = false;

    protected $fillable = [
        'act_id',
        'source_id',
        'kind',
        'state',
        'worked_at_c',
        'run_id',
        'picture_id',
        'note',
        'by_id',
        'at',
    ];

    protected $dateFormat = 'Y-m-d H:i:s.vP';

    /** @return BelongsTo<User, $this> */
    public function by(): BelongsTo
    {
        return $this->belongsTo(User::class, 'by_id');
    }

    protected function casts(): array
    {
        return ['worked_at_c' => 'float', 'at' => 'immutable_datetime'];
    }
}
