<?php

declare(strict_types=1);

namespace App\Shop\Models;

use App\Runs\Models\Piece;
use App\Runs\Models\RunStation;
use Carbon\CarbonImmutable;
use Database\Factories\MachineFactory;
use Dithermic\Core\Run\Thread;
use Illuminate\Database\Eloquent\Factories\HasFactory;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

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

    /** Pieces of all runs that it had a place in: what a mould has made. */
    public function made(): int
    {
        return Piece::query()
            ->whereIn('run_id', RunStation::query()->select('run_id')->where('machine_id', $this->id))
            ->where('outcome', '!=', Thread::DROPPED)
            ->count();
    }

    protected function casts(): array
    {
        return ['facts' => 'array', 'retired_at' => 'immutable_datetime'];
    }
}
