<?php

declare(strict_types=1);

namespace App\Material\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * What a polymer was decided from.
 *
 * @property string $id
 * @property array<int, array<string, mixed>> $evidence
 * @property string $decision
 * @property float $probability
 */
final class Identification extends Model
{
    public $incrementing = false;

    protected $keyType = 'string';

    public $timestamps = false;

    protected $fillable = ['id', 'evidence', 'decision', 'probability', 'by_id', 'at'];

    protected $dateFormat = 'Y-m-d H:i:s.vP';

    protected function casts(): array
    {
        return ['probability' => 'float', 'evidence' => 'array', 'at' => 'immutable_datetime'];
    }
}
