<?php

declare(strict_types=1);

namespace App\Support;

use Carbon\CarbonImmutable;
use DateTimeInterface;
use DateTimeZone;
use InvalidArgumentException;
use Throwable;

/**
 * The time of the shop on this machine. It was read from the wall clock once and runs on with the machine's own uptime,
 * so a wall clock that is set, by hand or by a network, moves no timer and turns no order of events round. `settle`
 * takes the wall clock's time over again; a start does so when nothing is running.
 */
final readonly class ShopClock
{
    private const HELD_S = 30.0;

    /**
     * @param  string  $uptime  seconds since this machine came up; the first of two numbers
     * @param  DateTimeZone  $zone  what the shop's days go by
     */
    public function __construct(
        private string $file,
        private string $uptime = '/proc/uptime',
        private string $boot = '/proc/sys/kernel/random/boot_id',
        private DateTimeZone $zone = new DateTimeZone('UTC'),
    ) {
    }

    /**
     * The zone that is asked for by name, else the one that this machine keeps.
     *
     * @throws InvalidArgumentException where there is none of that name
     */
    public static function zone(?string $name, string $machines = '/etc/localtime'): DateTimeZone
    {
        $asked = trim((string) $name);
        if ($asked === '') {
            $asked = explode('/zoneinfo/', (string) @readlink($machines), 2)[1] ?? 'UTC';
        }
        try {
            return new DateTimeZone($asked);
        } catch (Throwable) {
            throw new InvalidArgumentException(
                "SHOP_TIMEZONE '{$asked}' is no time zone; name one as Europe/Lisbon, or none for the machine's own.",
            );
        }
    }

    /** Seconds since 1970 UTC. */
    public function now(): float
    {
        if (CarbonImmutable::hasTestNow()) {
            return (float) CarbonImmutable::now()->format('U.u');
        }
        $up = (float) @file_get_contents($this->uptime);
        if ($up <= 0.0) {
            return microtime(true);
        }
        $kept = json_decode((string) @file_get_contents($this->file), true);
        if (! is_array($kept) || ($kept['boot'] ?? null) !== $this->boot() || ! isset($kept['wall'], $kept['up'])) {
            return $this->settle();
        }

        // A clock that is held has its uptime ahead: it stands until then.
        return (float) $kept['wall'] + max(0.0, $up - (float) $kept['up']);
    }

    public function moment(): CarbonImmutable
    {
        return CarbonImmutable::createFromTimestampMsUTC((int) round(1000 * $this->now()));
    }

    /** A moment by the shop's own days and hours, as on a label. */
    public function local(DateTimeInterface $at): CarbonImmutable
    {
        return CarbonImmutable::instance($at)->setTimezone($this->zone);
    }

    /** When the shop's day began. */
    public function today(): CarbonImmutable
    {
        return $this->local($this->moment())->startOfDay();
    }

    /** From here on the shop's time is what the wall clock says now. */
    public function settle(): float
    {
        $wall = microtime(true);
        $this->keep($wall, (float) @file_get_contents($this->uptime));

        return $wall;
    }

    /**
     * The shop's time stands at a moment, for as long as HELD_S at most, whatever becomes of who holds it: for what is
     * played quicker than it goes.
     */
    public function hold(float $at): void
    {
        $this->keep($at, (float) @file_get_contents($this->uptime) + self::HELD_S);
    }

    /** It goes on from a moment. */
    public function goOn(float $at): void
    {
        $this->keep($at, (float) @file_get_contents($this->uptime));
    }

    private function keep(float $wall, float $up): void
    {
        $part = $this->file.'.'.bin2hex(random_bytes(4));
        $kept = json_encode(['boot' => $this->boot(), 'wall' => $wall, 'up' => $up]);
        if (@file_put_contents($part, $kept) !== false) {
            @rename($part, $this->file);
        }
    }

    private function boot(): string
    {
        return trim((string) @file_get_contents($this->boot));
    }
}
