<?php

declare(strict_types=1);

namespace App\Support;

use Carbon\CarbonImmutable;

/**
 * The time of the shop on this machine. It was read from the wall clock once and runs on with the machine's own uptime,
 * so a wall clock that is set, by hand or by a network, moves no timer and turns no order of events round. `settle`
 * takes the wall clock's time over again; a start does so when nothing is running.
 */
final readonly class ShopClock
{
    /** @param  string  $uptime  seconds since this machine came up; the first of two numbers */
    public function __construct(
        private string $file,
        private string $uptime = '/proc/uptime',
        private string $boot = '/proc/sys/kernel/random/boot_id',
    ) {
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

        return (float) $kept['wall'] + $up - (float) $kept['up'];
    }

    public function moment(): CarbonImmutable
    {
        return CarbonImmutable::createFromTimestampMsUTC((int) round(1000 * $this->now()));
    }

    /** From here on the shop's time is what the wall clock says now. */
    public function settle(): float
    {
        $wall = microtime(true);
        $part = $this->file.'.'.bin2hex(random_bytes(4));
        $kept = json_encode([
            'boot' => $this->boot(),
            'wall' => $wall,
            'up' => (float) @file_get_contents($this->uptime),
        ]);
        if (@file_put_contents($part, $kept) !== false) {
            @rename($part, $this->file);
        }

        return $wall;
    }

    private function boot(): string
    {
        return trim((string) @file_get_contents($this->boot));
    }
}
