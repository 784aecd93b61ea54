<?php

declare(strict_types=1);

namespace App\Runs\Models;

use App\Material\Models\Lot;
use App\People\Models\User;
use App\Shop\Models\Machine;
use App\Shop\Models\Product;
use Carbon\CarbonImmutable;
use Dithermic\Core\Process\Change\ChangeFile;
use Dithermic\Core\Process\Change\ChangeTask;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A machine on its way from one job to the next. Its truth is its plan and its log.
 *
 * @property string $id
 * @property int $machine_id
 * @property int|null $mould_id that shall hang
 * @property string $polymer
 * @property array{polymer: string|null, swatch: string|null, mould_id: int|null, mould: string|null} $was
 * @property array{tasks: list<array<string, mixed>>, positions: list<array<string, mixed>>, hoses: list<array<string, mixed>>, route: list<string>, warnings: list<string>, against: list<string>, unknown: list<string>, explanation: string, stop: string|null, total_min: float|int, hands_min: float|int, serial_min: float|int, purge_g: float|int} $plan the core's answer
 * @property int $people
 * @property CarbonImmutable $at
 * @property CarbonImmutable|null $ended_at
 * @property Machine $machine
 * @property Product $product
 * @property Lot|null $lot
 * @property Machine|null $mould
 * @property User $by
 * @property Collection<int, ChangeLine> $lines
 */
final class JobChange extends Model
{
    public $incrementing = false;

    public $timestamps = false;

    protected $keyType = 'string';

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.vP';

    /** What its log adds up to. */
    public function file(): ChangeFile
    {
        $file = new ChangeFile(
            array_map(ChangeTask::of(...), $this->plan['tasks']),
            (float) $this->at->format('U.v'),
            $this->people,
            $this->plan['stop'] !== null,
        );
        foreach ($this->lines as $line) {
            $file->add($line->kind, $line->said, (float) $line->at->format('U.v'));
        }

        return $file;
    }

    /** @return HasMany<ChangeLine, $this> */
    public function lines(): HasMany
    {
        return $this->hasMany(ChangeLine::class, 'change_id')->orderBy('id');
    }

    /** @return BelongsTo<Machine, $this> */
    public function machine(): BelongsTo
    {
        return $this->belongsTo(Machine::class);
    }

    /** @return BelongsTo<Product, $this> */
    public function product(): BelongsTo
    {
        return $this->belongsTo(Product::class);
    }

    /** @return BelongsTo<Lot, $this> */
    public function lot(): BelongsTo
    {
        return $this->belongsTo(Lot::class);
    }

    /** @return BelongsTo<Machine, $this> */
    public function mould(): BelongsTo
    {
        return $this->belongsTo(Machine::class, 'mould_id');
    }

    /** @return BelongsTo<User, $this> */
    public function by(): BelongsTo
    {
        return $this->belongsTo(User::class, 'by_id');
    }

    protected function casts(): array
    {
        return ['was' => 'array', 'plan' => 'array', 'at' => 'immutable_datetime', 'ended_at' => 'immutable_datetime'];
    }
}
