<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Data\Record;
use Dithermic\Core\Process\Outline;
use Dithermic\Core\Process\Processes;

it('is as large as its corners leave it', function (): void {
    expect(Outline::of(null, 300, 200, null)?->areaMm2())->toEqual(60000)
        ->and(Outline::of(100, 300, 200, null)?->areaMm2())->toEqualWithDelta(M_PI / 4 * 1e4, 1e-9)
        ->and(Outline::of(null, 300, 200, 50)?->areaMm2())->toEqualWithDelta(60000 - (4 - M_PI) * 2500, 1e-9)
        // Corners that are too round for it are as round as they can be.
        ->and(Outline::of(null, 300, 200, 500)?->cornerMm)->toEqual(100)
        ->and(Outline::of(null, 300, null, 5))->toBeNull();
});

it('is covered by its sheets of paper, each of which laps over its neighbours', function (float $length, float $width): void {
    $of = Outline::of(null, $length, $width, 5);
    $tiles = $of->tiles(190, 270, 8, 10);
    $right = max(array_column($tiles, 'x')) + 190;
    $down = max(array_column($tiles, 'y')) + 270;
    expect(min(array_column($tiles, 'x')))->toEqual(-8)
        ->and($right)->toBeGreaterThanOrEqual($length + 8)
        ->and($down)->toBeGreaterThanOrEqual($width + 8);
    $columns = array_values(array_unique(array_column($tiles, 'x')));
    foreach (array_slice($columns, 1) as $i => $x) {
        expect($columns[$i] + 190 - $x)->toEqualWithDelta(10.0, 1e-9);
    }
    // One fewer would not reach.
    expect($right - 180)->toBeLessThan($length + 8 + 1e-6);
})->with([[100, 100], [174, 254], [175, 255], [420, 300], [1000, 600]]);

it('is of a formed part what it is at the sheet, and of nothing else', function (): void {
    $of = new Processes(new Registry);
    $tray = $of
        ->get('vacuum_forming')
        ->outline(new Record(['length_mm' => 320, 'width_mm' => 220, 'corner_radius_mm' => 12]));
    expect([$tray?->lengthMm, $tray?->widthMm, $tray?->cornerMm])->toEqual([320, 220, 12])
        ->and($of->get('vacuum_forming')->outline(new Record(['base_diameter_mm' => 180]))?->cornerMm)->toEqual(90)
        ->and($of->get('vacuum_forming')->outline(new Record(['length_mm' => 320])))->toBeNull()
        ->and($of->get('injection')->outline(new Record(['length_mm' => 320, 'width_mm' => 220])))->toBeNull();
});
