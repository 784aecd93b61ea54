<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Device;
use App\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Http\Request;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\Cookie;
use Illuminate\Support\Str;

/** The screen a request comes from, known by a long-lived cookie of which only the hash is stored. */
final class KnownDevice
{
    private const COOKIE = 'dithermic_device';

    private const MINUTES = 525_600;

    /** Notes that a person has used a password on this screen. */
    public function remember(Request $request, User $user): void
    {
        $device = $this->find($request);
        if ($device === null) {
            $token = Str::random(64);
            $device = Device::query()->create(['token_hash' => hash('sha256', $token), 'seen_at' => CarbonImmutable::now()]);
            Cookie::queue(Cookie::make(self::COOKIE, $token, self::MINUTES, httpOnly: true, sameSite: 'lax', secure: $request->isSecure()));
        }
        $device->people()->syncWithoutDetaching([$user->id]);
        $device->update(['seen_at' => CarbonImmutable::now()]);
    }

    /** @return Collection<int, User> active people who have used a password on this screen */
    public function people(Request $request): Collection
    {
        return $this->find($request)?->people()->where('active', true)->orderBy('name')->get() ?? new Collection;
    }

    private function find(Request $request): ?Device
    {
        $token = $request->cookie(self::COOKIE);

        return is_string($token) && $token !== '' ? Device::query()->where('token_hash', hash('sha256', $token))->first() : null;
    }
}
