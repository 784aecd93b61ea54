<?php

declare(strict_types=1);

namespace App\Runs\Models;

use App\Shop\Models\Machine;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A machine in a role of a run: for a span of time once it is taken, and without one until then.
 *
 * @property int $id
 * @property string $run_id
 * @property string $role
 * @property int $machine_id
 * @property int $position
 * @property CarbonImmutable|null $from_at
 * @property CarbonImmutable|null $to_at
 * @property bool $contested
 * @property Run $run
 * @property Machine $machine
 */
final class RunStation extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.vP';

    /** @return BelongsTo<Run, $this> */
    public function run(): BelongsTo
    {
        return $this->belongsTo(Run::class);
    }

    /** @return BelongsTo<Machine, $this> */
    public function machine(): BelongsTo
    {
        return $this->belongsTo(Machine::class);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['from_at' => 'immutable_datetime', 'to_at' => 'immutable_datetime', 'contested' => 'bool'];
    }
}
