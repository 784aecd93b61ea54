<?php

declare(strict_types=1);

namespace App\Shop\Models;

use App\Runs\Models\Piece;
use App\Runs\Models\RunStation;
use Carbon\CarbonImmutable;
use Database\Factories\MachineFactory;
use Dithermic\Core\Run\Thread;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Factories\HasFactory;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Facades\Cache;

/**
 * @property int $id
 * @property string $name
 * @property string $kind
 * @property array<string, float|int|string|null> $facts
 * @property string|null $last_polymer that is still in it
 * @property string|null $last_swatch and its colour
 * @property int|null $hung_id the mould that hangs in it
 * @property Machine|null $hung
 * @property CarbonImmutable|null $retired_at
 */
final class Machine extends Model
{
    /** @use HasFactory<MachineFactory> */
    use HasFactory;

    /** what has been counted is counted again after a day at the latest, s */
    private const MADE_KEPT_S = 86_400;

    protected $fillable = ['name', 'kind', 'facts', 'last_polymer', 'last_swatch', 'hung_id', 'retired_at'];

    /** @return HasMany<MachineFact, $this> what is known of it, since when and how; the newest of a name counts */
    public function factLog(): HasMany
    {
        return $this->hasMany(MachineFact::class)->orderBy('id');
    }

    /** @return BelongsTo<self, $this> the mould that hangs in it */
    public function hung(): BelongsTo
    {
        return $this->belongsTo(self::class, 'hung_id');
    }

    /** A mould hangs in one machine: wherever it was believed to be, it is not. Not saved here. */
    public function hang(?int $mould): void
    {
        if ($mould !== null) {
            self::query()->where('hung_id', $mould)->whereKeyNot($this->id)->update(['hung_id' => null]);
        }
        $this->hung_id = $mould;
    }

    public function fact(string $name): ?float
    {
        return isset($this->facts[$name]) ? (float) $this->facts[$name] : null;
    }

    /**
     * Pieces of all runs that it had a place in: what a mould has made. Those of runs that have left it are counted
     * again when another has.
     */
    public function made(): int
    {
        $places = RunStation::query()->where('machine_id', $this->id);
        $left = (clone $places)->whereNotNull('to_at');
        $key = (clone $left)
            ->selectRaw("count(*) || '-' || coalesce(extract(epoch from max(to_at)), 0) as left")
            ->value('left');
        $count = static fn (Builder $of): int => Piece::query()
            ->whereIn('run_id', $of->select('run_id'))
            ->where('outcome', '!=', Thread::DROPPED)
            ->count();

        return $count((clone $places)->whereNull('to_at'))
            + (int) Cache::remember("made:{$this->id}:{$key}", self::MADE_KEPT_S, static fn (): int => $count($left));
    }

    protected function casts(): array
    {
        return ['facts' => 'array', 'retired_at' => 'immutable_datetime'];
    }
}
