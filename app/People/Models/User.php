<?php

declare(strict_types=1);

namespace App\People\Models;

use App\People\Support\Role;
use Carbon\CarbonImmutable;
use Database\Factories\UserFactory;
use Illuminate\Database\Eloquent\Factories\HasFactory;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Foundation\Auth\User as Authenticatable;
use Laravel\Sanctum\HasApiTokens;
use Laravel\Sanctum\NewAccessToken;
use Laravel\Sanctum\PersonalAccessToken;

/**
 * A person of the shop.
 *
 * @property int $id
 * @property string $name
 * @property string $login
 * @property Role $role
 * @property string $password
 * @property string|null $pin
 * @property array<string, mixed> $preferences
 * @property bool $active
 */
final class User extends Authenticatable
{
    use HasApiTokens;

    /** @use HasFactory<UserFactory> */
    use HasFactory;

    /** a token ends after so long unless said otherwise */
    public const TOKEN_DAYS = 365;

    protected $fillable = ['name', 'login', 'role', 'password', 'pin', 'preferences', 'active'];

    protected $hidden = ['password', 'pin', 'remember_token'];

    /** @return BelongsToMany<Device, $this> */
    public function devices(): BelongsToMany
    {
        return $this->belongsToMany(Device::class);
    }

    public function isLead(): bool
    {
        return $this->role === Role::Lead;
    }

    /**
     * A token of an instrument: it speaks for one machine, and ends.
     *
     * @param  list<string>  $scopes
     */
    public function instrumentToken(
        string $name,
        array $scopes,
        int $machineId,
        int $days = self::TOKEN_DAYS,
    ): NewAccessToken {
        return $this->createToken($name, [...$scopes, "machine:{$machineId}"], CarbonImmutable::now()->addDays($days));
    }

    /**
     * An instrument's token speaks for its own machine; a person at a screen, and a token from before that rule, for
     * all.
     */
    public function mayReport(int $machineId): bool
    {
        $token = $this->currentAccessToken();
        if (! $token instanceof PersonalAccessToken) {
            return true;
        }
        $own = array_filter($token->abilities ?? [], static fn (string $a): bool => str_starts_with($a, 'machine:'));

        return $own === [] || in_array("machine:{$machineId}", $own, true);
    }

    protected function casts(): array
    {
        return [
            'role' => Role::class,
            'password' => 'hashed',
            'pin' => 'hashed',
            'preferences' => 'array',
            'active' => 'boolean',
        ];
    }
}
