<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A machine in a role of a run, for a span of time.
 *
 * @property int $id
 * @property string $run_id
 * @property string $role
 * @property int $machine_id
 * @property CarbonImmutable $from_at
 * @property CarbonImmutable|null $to_at
 * @property bool $contested
 * @property Run $run
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

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['from_at' => 'immutable_datetime', 'to_at' => 'immutable_datetime', 'contested' => 'bool'];
    }
}
