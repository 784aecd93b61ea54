<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Practice\Dice;
use Dithermic\Core\Process\Compression\Pressing;
use Dithermic\Core\Process\VacuumForming\Forming;
use Dithermic\Core\Process\VacuumForming\HeaterZones;
use Dithermic\Core\Quality\Trend;

/** Walls over one zone that is off by so many per cent, as a gauge reads them. */
function parts(int $count, float $offPct, Dice $dice, string $corner = 'back_right_mm', float $gauge = 0.01): array
{
    $parts = [];
    for ($i = 0; $i < $count; $i++) {
        foreach (HeaterZones::fields() as $field) {
            $parts[$i][$field] = 0.8 * ($field === $corner ? 1 + $offPct / 100 : 1) * $dice->normal(1, $gauge);
        }
    }

    return $parts;
}

/** Sheets whose tilt from left to right grows by so much each, mm per m, measured at nine places. */
function sheets(int $count, float $each, Dice $dice, float $noise = 0.1): array
{
    return array_map(static function (int $i) use ($each, $dice, $noise): array {
        [$x, $y] = [0.2 + $each * $i + $dice->normal(0, $noise), $dice->normal(0, $noise)];
        $points = [];
        foreach ([-250, 0, 250] as $across) {
            foreach ([-200, 0, 200] as $along) {
                $points[] = ['x_mm' => $across, 'y_mm' => $along, 't_mm' => 8 + ($x * $across + $y * $along) / 1000];
            }
        }

        return ['points' => $points];
    }, range(0, $count - 1));
}

const SHEET_600 = ['length_mm' => 600.0, 'width_mm' => 450.0, 'thickness_tolerance_mm' => 0.6];

it('gives the slope of a line, and of a line with one wild value', function (): void {
    $line = array_map(static fn (int $i): float => 1 + 0.25 * $i, range(0, 11));
    $wild = $line;
    $wild[5] = 40.0;

    expect(Trend::of($line)->grown)->toEqualWithDelta(2.75, 1e-9)
        ->and(Trend::of($line)->isSure)->toBeTrue()
        ->and(Trend::of($wild)->grown)->toEqualWithDelta(2.75, 0.05)
        ->and(Trend::of($wild)->isSure)->toBeTrue()
        ->and(Trend::of(array_reverse($line))->grown)->toEqualWithDelta(-2.75, 1e-9)
        ->and(Trend::of(array_slice($line, 0, 7))->isSure)->toBeFalse()
        ->and(Trend::of(array_fill(0, 20, 3.0)))->grown->toBe(0.0)->isSure->toBeFalse()
        ->and(Trend::of([1.0])->isSure)->toBeFalse();
});

it('takes chance for a trend in one series of a hundred at most', function (): void {
    $dice = new Dice(7);
    $taken = 0;
    for ($series = 0; $series < 2000; $series++) {
        $taken += (int) Trend::of(array_map(static fn (): float => $dice->normal(0, 1), range(1, 12)))->isSure;
    }

    expect($taken / 2000)->toBeGreaterThan(0.002)->toBeLessThan(0.013);
});

it('names the zone that is off, which way, and by how much it is turned first', function (): void {
    $cold = HeaterZones::off(parts(6, 8.0, new Dice(1), gauge: 0.0), 2, 2);
    $hot = HeaterZones::off(parts(6, -8.0, new Dice(2), 'front_left_mm'), 3, 4);

    expect($cold->title)->toBe('Heater zone 4 (back right) is cold')
        ->and($cold->why)->toContain('6 % thicker')->toContain('over 6 parts: +3 % of its power')
        ->and($hot->title)->toBe('Heater zone 1 (front left) is hot')
        ->and($hot->why)->toContain('−3 %')
        ->and(HeaterZones::off(parts(6, 8.0, new Dice(1)), null, null)->title)->toBe(
            'Heater zone over the back right is cold',
        )
        ->and(HeaterZones::off(
            parts(6, 8.0, new Dice(1), 'back_left_mm'),
            3,
            4,
        )->title)->toContain('zone 10 (back left)')
        // However far it is off, one step is small.
        ->and(HeaterZones::off(parts(6, 60.0, new Dice(1)), 2, 2)->why)->toContain('+5 %');
});

it('names none where walls are even, parts too few, or a hand too unsteady', function (): void {
    expect(HeaterZones::off(parts(8, 0.0, new Dice(3)), 2, 2))->toBeNull()
        ->and(HeaterZones::off(parts(3, 20.0, new Dice(3)), 2, 2))->toBeNull()
        ->and(HeaterZones::off([], 2, 2))->toBeNull()
        ->and(HeaterZones::off(array_fill(0, 6, ['front_left_mm' => 0.5]), 2, 2))->toBeNull()
        ->and(HeaterZones::off(parts(6, 5.0, new Dice(5), 'back_right_mm', 0.2), 2, 2))->toBeNull();
});

it('brings a zone to the others by steps of half, however much or little a per cent of power gives', function (float $gain): void {
    $off = 12.0;
    $dice = new Dice(11);
    for ($step = 0; $step < 40; $step++) {
        $wear = HeaterZones::off(parts(6, $off, $dice), 2, 2);
        if ($wear === null) {
            break;
        }
        preg_match('/([+−])(\d+) % of its power/u', $wear->why, $found);
        // More power, thinner wall; another corner that is named is the same zone seen from the other side.
        $off -= (str_contains($wear->title, 'back right') ? 1 : 0) * ($found[1] === '+' ? 1 : -1) * (float) $found[2] * $gain;
    }

    expect(abs($off))->toBeLessThan(5.0);
})->with([0.4, 1.0, 2.0]);

it('says that the tilt of the platens grew, where it surely did and the sheets feel it', function (): void {
    $process = new Pressing(new Registry);
    $worn = $process->wears(sheets(12, 0.05, new Dice(4)), [], SHEET_600);

    expect($worn)->toHaveCount(1)
        ->and($worn[0]->title)->toBe('Guides: the platens tilt from left to right')
        ->and($worn[0]->why)->toMatch('/grew by 0\.[34] mm in 12 sheets/')
        // It stands askew, as it always did: that is shimmed, and is no wear.
        ->and($process->wears(sheets(12, 0.0, new Dice(4)), [], SHEET_600))->toBe([])
        // Shimmed: it tilts less than it did.
        ->and($process->wears(array_reverse(sheets(12, 0.05, new Dice(4))), [], SHEET_600))->toBe([])
        // Sure, and too little to matter.
        ->and($process->wears(sheets(12, 0.01, new Dice(4), 0.0), [], SHEET_600))->toBe([])
        ->and($process->wears(sheets(5, 0.5, new Dice(4)), [], SHEET_600))->toBe([])
        ->and($process->wears([['points' => 'none'], []], [], SHEET_600))->toBe([]);
});

it('reads the corners of formed parts as they were measured', function (): void {
    $process = new Forming(new Registry);
    $wears = $process->wears(parts(5, 9.0, new Dice(8)), ['zones_across' => 2, 'zones_along' => 3], []);

    expect($wears[0]->title)->toBe('Heater zone 6 (back right) is cold')
        ->and($process->wears([[], ['front_left_mm' => 'thick']], [], []))->toBe([]);
});
