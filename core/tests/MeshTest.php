<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\LocalFiles;
use Dithermic\Core\Calculator\Reader;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Mesh\MeasureInput;
use Dithermic\Core\Mesh\MeasureResult;
use Dithermic\Core\Mesh\Picture;

// Shapes whose volume, area, shadow and draft are known in closed form; lengths in mm.

/** @param  list<array{array<float>, array<float>, array<float>}>  $facets */
function stl(array $facets, bool $text = false): string
{
    $file = (string) tempnam(sys_get_temp_dir(), 'stl');
    if ($text) {
        $lines = "solid made for a test\n";
        foreach ($facets as $facet) {
            $lines .= "  facet normal 0 0 0\n    outer loop\n".implode(
                '',
                array_map(static fn (array $v): string => sprintf("      vertex %.9e %.9e %.9e\n", ...$v), $facet),
            )."    endloop\n  endfacet\n";
        }
        file_put_contents($file, $lines."endsolid made for a test\n");
    } else {
        file_put_contents(
            $file,
            str_pad('solid, but binary', 80).pack('V', count($facets)).implode(
                '',
                array_map(
                    static fn (array $f): string => pack('g12v', 0, 0, 1, ...$f[0], ...$f[1], ...[...$f[2], 0]),
                    $facets,
                ),
            ),
        );
    }

    return $file;
}

/** @param  array<string, mixed>  $more */
function measured(array $facets, array $more = [], bool $text = false): MeasureResult
{
    $file = stl($facets, $text);
    try {
        $result = (new Registry)->run('mesh.measure', ['file' => $file] + $more);
        assert($result instanceof MeasureResult);

        return $result;
    } finally {
        unlink($file);
    }
}

/** A solid between two regular outlines, one above the other; straight up when they are equal. */
function frustum(float $low, float $high, float $height, int $sides = 4, array $at = [0, 0, 0]): array
{
    $ring = static fn (float $r, float $z): array => array_map(
        static fn (int $i): array => [
            $at[0] + $r * cos(2 * M_PI * ($i + 0.5) / $sides),
            $at[1] + $r * sin(2 * M_PI * ($i + 0.5) / $sides),
            $at[2] + $z,
        ],
        range(0, $sides - 1),
    );
    [$a, $b] = [$ring($low, 0), $ring($high, $height)];
    $facets = [];
    for ($i = 0; $i < $sides; $i++) {
        $j = ($i + 1) % $sides;
        array_push(
            $facets,
            [$a[$i], $a[$j], $b[$j]],
            [$a[$i], $b[$j], $b[$i]],
            [[$at[0], $at[1], $at[2]], $a[$j], $a[$i]],
            [[$at[0], $at[1], $at[2] + $height], $b[$i], $b[$j]],
        );
    }

    return $facets;
}

/** A cuboid with one corner at a point. */
function cuboid(float $x, float $y, float $z, array $at = [0, 0, 0]): array
{
    $p = static fn (int $i, int $j, int $k): array => [$at[0] + $i * $x, $at[1] + $j * $y, $at[2] + $k * $z];
    $quads = [
        [[0, 0, 0], [0, 1, 0], [1, 1, 0], [1, 0, 0]],
        [[0, 0, 1], [1, 0, 1], [1, 1, 1], [0, 1, 1]],
        [[0, 0, 0], [1, 0, 0], [1, 0, 1], [0, 0, 1]],
        [[1, 0, 0], [1, 1, 0], [1, 1, 1], [1, 0, 1]],
        [[1, 1, 0], [0, 1, 0], [0, 1, 1], [1, 1, 1]],
        [[0, 1, 0], [0, 0, 0], [0, 0, 1], [0, 1, 1]],
    ];
    $facets = [];
    foreach ($quads as [$a, $b, $c, $d]) {
        array_push($facets, [$p(...$a), $p(...$b), $p(...$c)], [$p(...$a), $p(...$c), $p(...$d)]);
    }

    return $facets;
}

it('measures a cuboid along every pull, in text and in binary, in mm and in inches', function (
    string $pull,
    float $shadow,
): void {
    foreach ([false, true] as $text) {
        $m = measured(cuboid(40, 30, 20, [500, -200, 7]), ['pull' => $pull], $text);
        expect($m->facets)->toBe(12)
            ->and($m->volume_cm3)
            ->toEqualWithDelta(24, 1e-6)
            ->and($m->area_cm2)
            ->toEqualWithDelta(52, 1e-6)
            ->and($m->projected_area_cm2)
            ->toEqualWithDelta($shadow, 1e-4 * $shadow)
            ->and($m->min_draft_deg)
            ->toEqualWithDelta(0, 1e-9)
            ->and($m->undercut_area_cm2)
            ->toBe(0.0)
            ->and($m->watertight)
            ->toBeTrue()
            ->and($m->open_edges)
            ->toBe(0)
            ->and($m->degenerate_facets)
            ->toBe(0)
            ->and($m->warnings)
            ->toBe([]);
        expect([
            $m->bounding_box_mm->x,
            $m->bounding_box_mm->y,
            $m->bounding_box_mm->z,
        ])->toEqualWithDelta([40, 30, 20], 1e-4);
    }
    $inches = measured(cuboid(2, 1, 1), ['units' => 'in']);
    expect($inches->volume_cm3)->toEqualWithDelta(2 * 2.54 ** 3, 1e-6)
        ->and($inches->bounding_box_mm->x)
        ->toEqualWithDelta(50.8, 1e-6);
})->with([['+z', 12.0], ['-z', 12.0], ['+x', 6.0], ['-y', 8.0]]);

it('follows the closed form of a cone frustum and its draft', function (float $draft): void {
    $low = 60.0;
    $high = $low - 50 * tan(deg2rad($draft));
    $m = measured(frustum($low, $high, 50, 720));
    $slant = hypot(50, $low - $high);
    expect($m->volume_cm3)->toEqualWithDelta(M_PI * 50 / 3 * ($low ** 2 + $low * $high + $high ** 2) / 1000, 0.02)
        ->and($m->area_cm2)->toEqualWithDelta(M_PI * ($low ** 2 + $high ** 2 + ($low + $high) * $slant) / 100, 0.02)
        ->and($m->projected_area_cm2)
        ->toEqualWithDelta(M_PI * $low ** 2 / 100, 0.02)
        ->and($m->min_draft_deg)
        ->toEqualWithDelta($draft, 0.01)
        ->and($m->undercut_area_cm2)
        ->toBe(0.0);
    // The same shape sunk into the mould and pulled the other way round holds with all of its sides.
    $sunk = measured(frustum($low, $high, 50, 720), ['male' => false]);
    expect($sunk->min_draft_deg)->toEqualWithDelta(-$draft, 0.01)
        ->and($sunk->undercut_area_cm2)
        ->toEqualWithDelta(M_PI * ($low + $high) * $slant / 100, 0.05);
    expect(measured(frustum($high, $low, 50, 720), ['male' => false])->undercut_area_cm2)->toBe(0.0);
})->with([1.0, 3.0, 7.5]);

it('counts a shadow once where shapes lie over each other, and a thin frame to 1 %', function (): void {
    $two = measured([...cuboid(40, 40, 10), ...cuboid(40, 40, 10, [20, 20, 30])]);
    expect($two->projected_area_cm2)->toEqualWithDelta(28, 0.03)->and($two->volume_cm3)->toEqualWithDelta(32, 1e-6)
        // The underside of the upper one looks down, away from the base.
        ->and($two->undercut_area_cm2)->toEqualWithDelta(16, 1e-6);
    $frame = measured([
        ...cuboid(300, 1, 5),
        ...cuboid(300, 1, 5, [0, 199, 0]),
        ...cuboid(1, 198, 5, [0, 1, 0]),
        ...cuboid(1, 198, 5, [299, 1, 0]),
    ]);
    expect($frame->projected_area_cm2)->toEqualWithDelta(9.96, 0.05);
});

it('finds what holds a mushroom in its mould', function (): void {
    $cap = measured([...frustum(10, 10, 30, 360), ...frustum(25, 25, 8, 360, [0, 0, 30.001])]);
    expect($cap->undercut_area_cm2)->toEqualWithDelta(M_PI * 6.25, 0.01)->and($cap->explanation)->toContain('hold it');
    // Leaning 2° the wrong way is below zero and an undercut too.
    $lean = measured(frustum(50 - 30 * tan(deg2rad(2)), 50, 30, 360));
    expect($lean->min_draft_deg)->toEqualWithDelta(-2, 0.01)->and($lean->undercut_area_cm2)->toBeGreaterThan(90);
});

it('counts open edges and gives no volume, turns an inside-out mesh, and passes over facets without area', function (): void {
    $box = cuboid(10, 10, 10);
    $open = measured(array_slice($box, 1));
    expect($open->watertight)->toBeFalse()
        ->and($open->open_edges)
        ->toBe(3)
        ->and($open->volume_cm3)
        ->toBeNull()
        ->and($open->projected_area_cm2)
        ->toEqualWithDelta(1, 1e-3)
        ->and($open->warnings[0])
        ->toContain('3 edges');
    $turned = measured(array_map(static fn (array $f): array => [$f[0], $f[2], $f[1]], frustum(20, 15, 30)));
    expect($turned->volume_cm3)->toEqualWithDelta(measured(frustum(20, 15, 30))->volume_cm3, 1e-9)
        ->and($turned->min_draft_deg)
        ->toBeGreaterThan(0)
        ->and($turned->undercut_area_cm2)
        ->toBe(0.0)
        ->and($turned->warnings)
        ->toContain('The mesh was inside out and has been turned.');
    $sliver = measured([...$box, [[0, 0, 0], [5, 0, 0], [5, 0, 0]]]);
    expect($sliver->degenerate_facets)->toBe(1)
        ->and($sliver->watertight)
        ->toBeTrue()
        ->and($sliver->volume_cm3)
        ->toEqualWithDelta(1, 1e-9);
    $mixed = $box;
    $mixed[0] = [$mixed[0][0], $mixed[0][2], $mixed[0][1]];
    expect(measured($mixed)->volume_cm3)->toBeNull()->and(measured($mixed)->warnings[0])->toContain('disagree');
});

it('joins vertices within a millionth of the box and not beyond', function (float $share, bool $closed): void {
    $box = cuboid(100, 100, 100, [-50, -50, -50]);
    $off = $share * sqrt(3) * 100;
    // One vertex of one facet a little aside.
    $box[0][0] = array_map(static fn (float $v): float => $v + $off / 2, $box[0][0]);
    expect(measured($box, text: true)->watertight)->toBe($closed);
})->with([[5e-7, true], [1.6e-6, true], [1e-5, false]]);

it('refuses what is not STL and says where', function (string $content, string $says): void {
    $file = (string) tempnam(sys_get_temp_dir(), 'stl');
    file_put_contents($file, $content);
    try {
        (new Registry)->run('mesh.measure', ['file' => $file]);
        $this->fail('was taken');
    } catch (InputError $error) {
        expect($error->field)->toBe('file')->and($error->getMessage())->toContain($says);
    } finally {
        unlink($file);
    }
})->with([
    'nothing' => ['', '0 bytes'],
    'a picture' => ["\x89PNG\r\n\x1a\n".str_repeat('x', 300), 'is not STL'],
    'cut short' => [str_repeat("\0", 80).pack('V', 5).str_repeat("\0", 120), 'ends within facet 3'],
    'more after the last' => [str_repeat("\0", 80).pack('V', 1).str_repeat("\0", 99), '49 bytes after'],
    'none' => [str_repeat("\0", 84), '0 facets'],
    'not a number' => [
        str_repeat("\0", 80).pack('V', 1).pack('g12v', 0, 0, 0, 0, 0, 0, NAN, 0, 0, 0, 1, 0, 0),
        'facet 1 ',
    ],
    'one point' => [str_repeat("\0", 80).pack('V', 1).pack('g12v', 0, 0, 0, 1, 1, 1, 1, 1, 1, 1, 1, 1, 0), 'no size'],
    'text cut short' => ["solid a\nfacet normal 0 0 1\nouter loop\nvertex 0 0 0\n", 'cut short'],
    'text with two corners' => [
        "solid a\nfacet normal 0 0 1\nouter loop\nvertex 0 0 0\nvertex 1 0 0\nendloop\nendfacet\nendsolid\n",
        'line 6',
    ],
    'text with a word' => ["solid a\nfacet normal 0 0 1\nouter loop\nvertex 0 0 nan\n", 'line 4'],
    'text without facets' => ["solid a\nendsolid a\n", 'no facets'],
    'prose' => ["solid advice: weigh it first.\nThen press.\n", 'line 2'],
]);

it('opens a path at the command line only as a plain file', function (string $path): void {
    expect(static fn (): string => (new LocalFiles)->path($path))->toThrow(InputError::class);
})->with(['/nowhere/at.stl', 'php://stdin', 'data://text/plain,solid', '/dev/zero', '/tmp', "a\0b", '']);

it('draws every facet once, with the same draft and undercuts as it measures', function (): void {
    $file = stl([...frustum(20, 17, 30), ...cuboid(10, 10, 5, [-5, -5, 40])]);
    $picture = implode(
        '',
        iterator_to_array((new Picture($file, Reader::read(MeasureInput::class, ['file' => $file])))->blocks(), false),
    );
    $facets = array_map(
        static fn (string $f): array => array_values((array) unpack('g11', $f)),
        str_split($picture, 44),
    );
    $m = (new Registry)->run('mesh.measure', ['file' => $file]);
    unlink($file);
    assert($m instanceof MeasureResult);
    $area = static function (array $f): float {
        [$u, $v] = [[$f[3] - $f[0], $f[4] - $f[1], $f[5] - $f[2]], [$f[6] - $f[0], $f[7] - $f[1], $f[8] - $f[2]]];

        return sqrt(
            ($u[1] * $v[2] - $u[2] * $v[1]) ** 2 + ($u[2] * $v[0] - $u[0] * $v[2]) ** 2 + ($u[0] * $v[1] - $u[1] * $v[0]) ** 2,
        ) / 200;
    };
    expect($facets)->toHaveCount($m->facets)->and(min(array_map(
        static fn (array $f): float => $f[10] == 1 || $f[10] == 2 && $f[9] > -45 ? $f[9] : 90,
        $facets,
    )))->toEqualWithDelta($m->min_draft_deg, 1e-3)
        ->and(array_sum(array_map(
            static fn (array $f): float => $f[10] == 2 ? $area($f) : 0,
            $facets,
        )))->toEqualWithDelta($m->undercut_area_cm2, 1e-3);
});
