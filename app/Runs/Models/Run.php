<?php

declare(strict_types=1);

namespace App\Runs\Models;

use App\Material\Models\Charge;
use App\Material\Models\Lot;
use App\People\Models\User;
use App\Shop\Models\Machine;
use App\Shop\Models\Product;
use App\Shop\Models\Recipe;
use Carbon\CarbonImmutable;
use Dithermic\Core\Run\RunMachine;
use Dithermic\Core\Run\RunState;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasOne;

/**
 * One job through one procedure. Its truth is its events; status, step, verdict and the like are a projection for
 * lists.
 *
 * @property string $id
 * @property int $number
 * @property int $product_id
 * @property string $polymer
 * @property float|null $set_c
 * @property array<string, float|int|string|null> $plan
 * @property array<string, string> $choices
 * @property array<string, mixed> $setup
 * @property array<string, mixed> $safety
 * @property array<string, float>|null $done settings as they were really done, of a run that is over
 * @property string $status
 * @property string|null $step
 * @property string|null $verdict
 * @property string|null $scrap_reason
 * @property CarbonImmutable $started_at
 * @property CarbonImmutable|null $ended_at
 * @property CarbonImmutable|null $still_since while it is interrupted
 * @property Product $product
 * @property User $starter
 * @property ProcedureVersion $procedureVersion
 * @property Recipe|null $recipe
 * @property Inspection|null $inspection
 * @property Collection<int, Inspection> $inspections
 * @property Collection<int, RunStation> $stations
 * @property Collection<int, RunMaterial> $materials
 * @property Collection<int, Charge> $charges
 * @property Collection<int, RunOutput> $outputs
 */
final class Run extends Model
{
    use HasUuids;

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.vP';

    private ?RunState $folded = null;

    public function machineOfState(): RunMachine
    {
        return new RunMachine($this->procedureVersion->procedure(), $this->plan);
    }

    /** What its events add up to: folded once, until other events are loaded. */
    public function state(): RunState
    {
        return $this->folded ??= $this->machineOfState()->fold(
            $this->events->map(static fn (RunEvent $e) => $e->toCore()),
        );
    }

    public function setRelation($relation, $value)
    {
        if ($relation === 'events') {
            $this->folded = null;
        }

        return parent::setRelation($relation, $value);
    }

    /**
     * With how many of its pieces were good and bad.
     *
     * @param  Builder<$this>  $query
     */
    public function scopeCounted(Builder $query): void
    {
        $query->withCount(['goodPieces as good', 'badPieces as bad']);
    }

    /**
     * How many of its pieces are good, counted with the list or asked for here; a run that is one pass is one piece.
     */
    public function good(): int
    {
        return ($this->verdict === 'good' ? 1 : 0) + (int) ($this->attributes['good'] ?? $this->goodPieces()->count());
    }

    public function bad(): int
    {
        return ($this->verdict === 'scrap' ? 1 : 0) + (int) ($this->attributes['bad'] ?? $this->badPieces()->count());
    }

    /** @return HasMany<RunEvent, $this> */
    public function events(): HasMany
    {
        return $this->hasMany(RunEvent::class)->orderBy('seq');
    }

    /** @return HasOne<Inspection, $this> */
    public function inspection(): HasOne
    {
        return $this->hasOne(Inspection::class)->latestOfMany();
    }

    /** @return HasMany<Inspection, $this> */
    public function inspections(): HasMany
    {
        return $this->hasMany(Inspection::class)->orderBy('id');
    }

    /** @return BelongsTo<Product, $this> */
    public function product(): BelongsTo
    {
        return $this->belongsTo(Product::class);
    }

    /** @return HasMany<RunStation, $this> the main machine first */
    public function stations(): HasMany
    {
        return $this->hasMany(RunStation::class)->orderBy('position')->orderBy('id');
    }

    /** @return HasMany<RunMaterial, $this> */
    public function materials(): HasMany
    {
        return $this->hasMany(RunMaterial::class)->orderBy('id');
    }

    /** @return HasMany<Charge, $this> weighed charges that went into it */
    public function charges(): HasMany
    {
        return $this->hasMany(Charge::class)->orderBy('number');
    }

    /** @return HasMany<RunOutput, $this> */
    public function outputs(): HasMany
    {
        return $this->hasMany(RunOutput::class)->orderBy('id');
    }

    /** @return HasMany<Piece, $this> */
    public function pieces(): HasMany
    {
        return $this->hasMany(Piece::class)->orderBy('number');
    }

    /** @return HasMany<Piece, $this> */
    public function goodPieces(): HasMany
    {
        return $this->hasMany(Piece::class)->good();
    }

    /** @return HasMany<Piece, $this> scrapped, or taken out before they were judged */
    public function badPieces(): HasMany
    {
        return $this->hasMany(Piece::class)->bad();
    }

    /** The machine in a role; null where the run has none there. */
    public function machineAs(string $role): ?Machine
    {
        return $this->stations->first(static fn (RunStation $s): bool => $s->role === $role)?->machine;
    }

    /** The machine that the run is made on. */
    public function mainMachine(): Machine
    {
        return $this->stations->firstOrFail()->machine;
    }

    /** What of a lot is in it, of the lot that goes in at a moment. */
    public function materialAt(float $at, RunState $state): RunMaterial
    {
        $lot = $state->lotAt($at);

        return $this->materials->firstOrFail(static fn (RunMaterial $m): bool => $lot === null || $m->lot_id === $lot);
    }

    /** The lot that it began with: the first of its materials. */
    public function mainLot(): Lot
    {
        return $this->materials->firstOrFail()->lot;
    }

    /** @return BelongsTo<User, $this> */
    public function starter(): BelongsTo
    {
        return $this->belongsTo(User::class, 'started_by');
    }

    /** @return BelongsTo<Recipe, $this> */
    public function recipe(): BelongsTo
    {
        return $this->belongsTo(Recipe::class);
    }

    /** @return BelongsTo<ProcedureVersion, $this> */
    public function procedureVersion(): BelongsTo
    {
        return $this->belongsTo(ProcedureVersion::class, 'procedure_id');
    }

    protected function casts(): array
    {
        return [
            'set_c' => 'float',
            'plan' => 'array',
            'done' => 'array',
            'choices' => 'array',
            'setup' => 'array',
            'safety' => 'array',
            'started_at' => 'immutable_datetime',
            'ended_at' => 'immutable_datetime',
            'still_since' => 'immutable_datetime',
        ];
    }
}
