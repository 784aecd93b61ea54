<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Foreign matter found in a sample of a lot.
 *
 * @property string $act_id
 * @property int $lot_id
 * @property string $found
 * @property float $found_g
 * @property float $sample_g
 * @property string $note
 * @property CarbonImmutable $at
 * @property User $by
 */
final class ContaminationNote extends Model
{
    protected $table = 'contaminations';

    protected $primaryKey = 'act_id';

    public $incrementing = false;

    protected $keyType = 'string';

    public $timestamps = false;

    protected $fillable = ['act_id', 'lot_id', 'found', 'found_g', 'sample_g', 'note', 'by_id', 'at'];

    protected $dateFormat = 'Y-m-d H:i:s.vP';

    /** @return BelongsTo<User, $this> */
    public function by(): BelongsTo
    {
        return $this->belongsTo(User::class, 'by_id');
    }

    /**
     * What the newest sample for each kind of foreign matter still held; a later clean sample clears it.
     *
     * @return list<string>
     */
    public static function standing(int $lot): array
    {
        return array_values(self::query()->where('lot_id', $lot)->orderByDesc('at')->get()->unique('found')->filter(static fn (self $n): bool => $n->found_g > 0)->pluck('found')->all());
    }

    protected function casts(): array
    {
        return ['found_g' => 'float', 'sample_g' => 'float', 'at' => 'immutable_datetime'];
    }
}
