<?php

declare(strict_types=1);

namespace App\Instruments\Models;

use App\People\Models\User;
use App\Shop\Models\Machine;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Laravel\Sanctum\PersonalAccessToken;

/**
 * An instrument that asks to be let in. It asks again and again by the code that stands on it; once somebody has
 * scanned that code at a machine it is given a token.
 *
 * @property int $id
 * @property string $code
 * @property string $secret_hash
 * @property string $name
 * @property list<string> $channels
 * @property string $address
 * @property CarbonImmutable $asked_at
 * @property int|null $machine_id
 * @property int|null $by_id
 * @property CarbonImmutable|null $paired_at
 * @property int|null $token_id
 * @property Machine|null $machine
 * @property User|null $by
 * @property PersonalAccessToken|null $token
 */
final class Pairing extends Model
{
    /** without letters and digits that are taken for one another */
    public const CODE = '[A-HJ-NP-Z2-9]{8}';

    /** who has not asked for so long is gone, s */
    public const KEPT_S = 900;

    public $timestamps = false;

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.vP';

    /** @return BelongsTo<Machine, $this> */
    public function machine(): BelongsTo
    {
        return $this->belongsTo(Machine::class);
    }

    /** @return BelongsTo<User, $this> */
    public function by(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return BelongsTo<PersonalAccessToken, $this> */
    public function token(): BelongsTo
    {
        return $this->belongsTo(PersonalAccessToken::class);
    }

    protected function casts(): array
    {
        return [
            'channels' => 'array',
            'asked_at' => 'immutable_datetime',
            'paired_at' => 'immutable_datetime',
        ];
    }
}
