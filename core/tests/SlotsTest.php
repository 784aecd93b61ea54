<?php

declare(strict_types=1);

use Dithermic\Core\Process\Clock;
use Dithermic\Core\Process\Slots;

function slotsOf(array $readings, float $overS = 10.0): array
{
    return Slots::of(new Clock(null, 'heat', 1000.0, 2000.0, ['a']), $readings, $overS);
}

it('puts a channel that is read more often beside another as one of two', function (): void {
    $often = array_map(static fn (int $i): array => [1000.0 + $i, 180.0], range(0, 9));
    expect(slotsOf(['top' => $often, 'low' => [[1004.5, 200.0]]]))->toBe([[4.5, [180.0, 200.0]]]);
});

it('keeps what was read before the clock began, and what one channel alone has', function (): void {
    expect(slotsOf(['a' => [[995.0, 20.0], [1012.0, 30.0]], 'b' => [[1003.0, 40.0]]]))
        ->toBe([[-5.0, [20.0]], [3.0, [40.0]], [12.0, [30.0]]]);
});

it('rises in time, whatever was read when', function (): void {
    mt_srand(11);
    $readings = [];
    foreach (['a', 'b', 'c'] as $channel) {
        for ($i = 0; $i < 200; $i++) {
            $readings[$channel][] = [900.0 + mt_rand(0, 400_000) / 1000, mt_rand(0, 300) / 1];
        }
    }
    $times = array_column(slotsOf($readings, 7.0), 0);
    $sorted = $times;
    sort($sorted);
    expect($times)->toBe($sorted)->and(array_unique($times))->toHaveCount(count($times));
});
