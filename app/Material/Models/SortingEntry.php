<?php

declare(strict_types=1);

namespace App\Material\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * Pieces or a weight put into a bin, or the taking back of an entry.
 *
 * @property string $id
 * @property string $sorting_id
 * @property int $bin_id
 * @property int $pieces
 * @property string $mass_g
 * @property int $by_id
 * @property string|null $undoes
 * @property CarbonImmutable $at
 */
final class SortingEntry extends Model
{
    public $incrementing = false;

    protected $keyType = 'string';

    public $timestamps = false;

    protected $fillable = ['id', 'sorting_id', 'bin_id', 'pieces', 'mass_g', 'undoes', 'by_id', 'at'];

    protected $dateFormat = 'Y-m-d H:i:s.vP';

    protected function casts(): array
    {
        return ['at' => 'immutable_datetime'];
    }
}
