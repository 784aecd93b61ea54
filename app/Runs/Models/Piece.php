<?php

declare(strict_types=1);

namespace App\Runs\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * One sheet, shot, bar or part of a run, as its events left it: a projection for lists and counts.
 *
 * @property int $id
 * @property string $run_id
 * @property int $number
 * @property string $outcome
 * @property string|null $verdict
 * @property string|null $reason
 * @property CarbonImmutable $began_at
 * @property CarbonImmutable|null $ended_at
 */
final class Piece extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.vP';

    /** @return BelongsTo<Run, $this> */
    public function run(): BelongsTo
    {
        return $this->belongsTo(Run::class);
    }

    protected function casts(): array
    {
        return ['began_at' => 'immutable_datetime', 'ended_at' => 'immutable_datetime'];
    }
}
