<?php

declare(strict_types=1);

namespace App\Runs\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * What a check of a piece said, computed by the core from its entry; the newest one of a run or piece counts.
 *
 * @property int $id
 * @property string $run_id
 * @property string $kind
 * @property int|null $piece
 * @property float|null $mass_g
 * @property array<string, float> $figures
 * @property array<string, mixed> $result
 * @property CarbonImmutable $at
 */
final class Inspection extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.vP';

    protected function casts(): array
    {
        return ['mass_g' => 'float', 'figures' => 'array', 'result' => 'array', 'at' => 'immutable_datetime'];
    }
}
