<?php

declare(strict_types=1);

namespace App\Causes\Models;

use App\People\Models\User;
use App\Runs\Models\Run;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Query\Builder as QueryBuilder;

/**
 * Where on a part a flaw was seen, as shares of its length and width; or that another was marked wrongly. Append-only.
 *
 * @property string $id
 * @property string $run_id
 * @property int|null $piece none where the run is one pass
 * @property string|null $defect
 * @property float|null $along
 * @property float|null $across
 * @property string|null $undoes
 * @property int $by_id
 * @property CarbonImmutable $at
 * @property User $by
 * @property Run $run
 */
final class Flaw extends Model
{
    public $incrementing = false;

    public $timestamps = false;

    protected $keyType = 'string';

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.vP';

    /**
     * Those that nobody took back.
     *
     * @param  Builder<Flaw>  $query
     */
    public function scopeStanding(Builder $query): void
    {
        $query->whereNull('undoes')->whereNotExists(
            static fn (QueryBuilder $taken) => $taken->from('flaws as taken')->whereColumn('taken.undoes', 'flaws.id'),
        );
    }

    /** @return BelongsTo<User, $this> */
    public function by(): BelongsTo
    {
        return $this->belongsTo(User::class, 'by_id');
    }

    /** @return BelongsTo<Run, $this> */
    public function run(): BelongsTo
    {
        return $this->belongsTo(Run::class);
    }

    protected function casts(): array
    {
        return ['at' => 'immutable_datetime', 'along' => 'float', 'across' => 'float'];
    }
}
