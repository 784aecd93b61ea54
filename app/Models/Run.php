<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Dithermic\Core\Run\RunMachine;
use Dithermic\Core\Run\RunState;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasOne;

/**
 * One job through one procedure. Its truth is its events; status, step, verdict and the like are a projection for lists.
 *
 * @property string $id
 * @property int $number
 * @property int $lot_id
 * @property string|null $charge_id
 * @property Charge|null $charge
 * @property int $machine_id
 * @property int|null $cold_machine_id
 * @property array<string, float|int|string|null> $plan
 * @property array<string, string> $choices
 * @property array<string, mixed> $setup
 * @property array<string, mixed> $safety
 * @property string $status
 * @property string|null $step
 * @property string|null $verdict
 * @property string|null $scrap_reason
 * @property string|null $charged_g
 * @property CarbonImmutable $started_at
 * @property CarbonImmutable|null $ended_at
 * @property Product $product
 * @property Machine $machine
 * @property Machine|null $coldMachine
 * @property Lot $lot
 * @property User $starter
 * @property ProcedureVersion $procedureVersion
 * @property Recipe|null $recipe
 * @property Inspection|null $inspection
 */
final class Run extends Model
{
    use HasUuids;

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.vP';

    public function machineOfState(): RunMachine
    {
        return new RunMachine($this->procedureVersion->procedure(), $this->plan);
    }

    public function state(): RunState
    {
        return $this->machineOfState()->fold($this->events->map(static fn (RunEvent $e) => $e->toCore()));
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

    /** @return BelongsTo<Product, $this> */
    public function product(): BelongsTo
    {
        return $this->belongsTo(Product::class);
    }

    /** @return BelongsTo<Machine, $this> */
    public function machine(): BelongsTo
    {
        return $this->belongsTo(Machine::class);
    }

    /** @return BelongsTo<Charge, $this> */
    public function charge(): BelongsTo
    {
        return $this->belongsTo(Charge::class);
    }

    /** @return BelongsTo<Machine, $this> */
    public function coldMachine(): BelongsTo
    {
        return $this->belongsTo(Machine::class, 'cold_machine_id');
    }

    /** @return BelongsTo<Lot, $this> */
    public function lot(): BelongsTo
    {
        return $this->belongsTo(Lot::class);
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
            'plan' => 'array',
            'choices' => 'array',
            'setup' => 'array',
            'safety' => 'array',
            'started_at' => 'immutable_datetime',
            'ended_at' => 'immutable_datetime',
        ];
    }
}
