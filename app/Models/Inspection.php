<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * A checked sheet, computed by the core from an inspection entry; the newest one of a run counts.
 *
 * @property int $id
 * @property float $mass_g
 * @property float $mean_mm
 * @property float $range_mm
 * @property float|null $bow_mm
 * @property float $porosity_pct
 * @property array<string, mixed> $result
 * @property CarbonImmutable $at
 */
final class Inspection extends Model
{
    public $timestamps = false;

    protected $fillable = [
        'run_id',
        'event_key',
        'mass_g',
        'mean_mm',
        'range_mm',
        'bow_mm',
        'porosity_pct',
        'result',
        'at',
    ];

    protected $dateFormat = 'Y-m-d H:i:s.vP';

    protected function casts(): array
    {
        return [
            'mass_g' => 'float',
            'mean_mm' => 'float',
            'range_mm' => 'float',
            'bow_mm' => 'float',
            'porosity_pct' => 'float',
            'result' => 'array',
            'at' => 'immutable_datetime',
        ];
    }
}
