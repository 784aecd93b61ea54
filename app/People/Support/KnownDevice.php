<?php

declare(strict_types=1);

namespace App\People\Support;

use App\People\Models\Device;
use App\People\Models\Sitting;
use App\People\Models\User;
use App\Support\ShopClock;
use Carbon\CarbonImmutable;
use Illuminate\Http\Request;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\Cookie;
use Illuminate\Support\Str;
use LogicException;

/** The screen a request comes from, known by a long-lived cookie of which only the hash is stored. */
final class KnownDevice
{
    private const COOKIE = 'dithermic_device';

    private const MINUTES = 525_600;

    /** an entry may be this much older or younger than the sitting it belongs to: clocks differ, s */
    private const SLACK_S = 10.0;

    /**
     * Notes that a person has used a password on this screen.
     *
     * @return string the proof of this sitting
     */
    public function remember(Request $request, User $user): string
    {
        $device = $this->find($request);
        if ($device === null) {
            $token = Str::random(64);
            $device = Device::query()->create([
                'token_hash' => hash('sha256', $token),
                'seen_at' => CarbonImmutable::now(),
            ]);
            Cookie::queue(Cookie::make(
                self::COOKIE,
                $token,
                self::MINUTES,
                httpOnly: true,
                sameSite: 'lax',
                secure: $request->isSecure(),
            ));
        }
        $device->people()->syncWithoutDetaching([$user->id]);
        $device->update(['seen_at' => CarbonImmutable::now()]);

        return $this->sit($device, $user);
    }

    /** Somebody else takes over by PIN. @return string the proof of this sitting */
    public function takeOver(Request $request, User $user): string
    {
        return $this->sit(
            $this->find($request) ?? throw new LogicException('a PIN on a screen that nobody knows'),
            $user,
        );
    }

    /** Nobody sits here any more. */
    public function leave(Request $request): void
    {
        $device = $this->find($request);
        if ($device !== null) {
            Sitting::query()->where('device_id', $device->id)
                ->whereNull('ended_at')
                ->update(['ended_at' => app(ShopClock::class)->moment()]);
        }
    }

    /** Who made an entry on this screen at a moment, by the proof it carries; null when that proves nothing. */
    public function author(Request $request, string $proof, float $at): ?User
    {
        $device = $this->find($request);
        [$id, $secret] = [...explode('.', $proof, 2), ''];
        $sitting = $device === null || ! Str::isUuid($id)
            ? null
            : Sitting::query()->with('user')->where('device_id', $device->id)->find($id);
        if (
            $sitting === null
            || ! hash_equals($sitting->secret_hash, hash('sha256', $secret))
            || ! $sitting->user->active
        ) {
            return null;
        }
        $from = (float) $sitting->began_at->format('U.v') - self::SLACK_S;
        $to = (float) ($sitting->ended_at ?? app(ShopClock::class)->moment())->format('U.v') + self::SLACK_S;

        return $at >= $from && $at <= $to ? $sitting->user : null;
    }

    private function sit(Device $device, User $user): string
    {
        $now = app(ShopClock::class)->moment();
        Sitting::query()->where('device_id', $device->id)->whereNull('ended_at')->update(['ended_at' => $now]);
        $secret = Str::random(48);
        $sitting = Sitting::query()->create([
            'id' => (string) Str::uuid7(),
            'device_id' => $device->id,
            'user_id' => $user->id,
            'secret_hash' => hash('sha256', $secret),
            'began_at' => $now,
        ]);

        return "{$sitting->id}.{$secret}";
    }

    /** @return Collection<int, User> active people who have used a password on this screen */
    public function people(Request $request): Collection
    {
        return $this->find($request)?->people()->where('active', true)->orderBy('name')->get() ?? new Collection;
    }

    /** Which screen it is, for what is counted by screen; null on one that nobody has signed in on. */
    public function id(Request $request): ?string
    {
        $device = $this->find($request);

        return $device === null ? null : "screen {$device->id}";
    }

    private function find(Request $request): ?Device
    {
        $token = $request->cookie(self::COOKIE);

        return is_string($token) && $token !== ''
            ? Device::query()->where('token_hash', hash('sha256', $token))->first()
            : null;
    }
}
