<?php

declare(strict_types=1);

namespace App\Runs\Models;

use App\People\Models\User;
use App\Runs\Support\PassportShows;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Casts\AsEnumCollection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Collection;

/**
 * What a lead said of the passport of a run's parts: the newest counts.
 *
 * @property int $id
 * @property string $run_id
 * @property string|null $code of its public address; null: there is none
 * @property Collection<int, PassportShows> $shows
 * @property list<int> $waste sources whose material would have been waste
 * @property User $by
 * @property CarbonImmutable $at
 */
final class PassportLine extends Model
{
    public $timestamps = false;

    protected $table = 'passport_log';

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.vP';

    public static function of(Run $run): ?self
    {
        return self::query()->where('run_id', $run->id)->latest('id')->first();
    }

    /** @return BelongsTo<User, $this> */
    public function by(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    protected function casts(): array
    {
        return [
            'shows' => AsEnumCollection::of(PassportShows::class),
            'waste' => 'array',
            'at' => 'immutable_datetime',
        ];
    }
}
