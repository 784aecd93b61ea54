<?php

declare(strict_types=1);

namespace App\Runs\Models;

use Carbon\CarbonImmutable;
use Dithermic\Core\Run\Thread;
use Illuminate\Database\Eloquent\Builder;
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
 * @property array<string, float> $clocked what its taps measured, s, by figure
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

    /**
     * Scrapped, or taken out before it was judged.
     *
     * @param  Builder<self>  $query
     */
    public function scopeBad(Builder $query): void
    {
        $query->where(static fn (Builder $q) => $q->where('verdict', 'scrap')->orWhere('outcome', Thread::DROPPED));
    }

    /** @param  Builder<self>  $query */
    public function scopeGood(Builder $query): void
    {
        $query->where('verdict', 'good');
    }

    protected function casts(): array
    {
        return ['began_at' => 'immutable_datetime', 'ended_at' => 'immutable_datetime', 'clocked' => 'array'];
    }
}
