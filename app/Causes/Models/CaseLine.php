<?php

declare(strict_types=1);

namespace App\Causes\Models;

use App\People\Models\User;
use Carbon\CarbonImmutable;
use Dithermic\Core\Diagnosis\CaseEntry;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * One entry of a case. Append-only.
 *
 * @property int $id
 * @property string $case_id
 * @property CaseEntry $kind
 * @property array<string, mixed> $said
 * @property CarbonImmutable $at
 * @property User $by
 */
final class CaseLine extends Model
{
    public $timestamps = false;

    protected $table = 'case_log';

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.vP';

    /** @return BelongsTo<User, $this> */
    public function by(): BelongsTo
    {
        return $this->belongsTo(User::class, 'by_id');
    }

    protected function casts(): array
    {
        return ['kind' => CaseEntry::class, 'said' => 'array', 'at' => 'immutable_datetime'];
    }
}
