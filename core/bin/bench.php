<?php

declare(strict_types=1);

// Times the core by itself: median of many after warming up, and how cost grows with cells and steps.

use Dithermic\Core\Calculator\LocalFiles;
use Dithermic\Core\Calculator\Reader;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Data\Record;
use Dithermic\Core\Heat\Barrel\BarrelSoak;
use Dithermic\Core\Heat\Barrel\BarrelSoakInput;
use Dithermic\Core\Heat\Bath\BarInBath;
use Dithermic\Core\Heat\Bath\BarInBathInput;
use Dithermic\Core\Heat\General\SlabCalculation;
use Dithermic\Core\Heat\General\SlabInput;
use Dithermic\Core\Heat\Press\PressCycle;
use Dithermic\Core\Heat\Press\PressCycleInput;
use Dithermic\Core\Heat\Sheet\VacuumSheet;
use Dithermic\Core\Heat\Sheet\VacuumSheetInput;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Practice\MixedTub;

require __DIR__.'/../autoload.php';

function median(callable $work, int $times = 25): float
{
    $taken = [];
    for ($i = 0; $i < $times + 5; $i++) {
        $start = hrtime(true);
        $work();
        if ($i >= 5) {
            $taken[] = (hrtime(true) - $start) / 1e6;
        }
    }
    sort($taken);

    return $taken[intdiv(count($taken), 2)];
}

$registry = new Registry;
$panel = [
    'polymer' => 'HDPE',
    'thickness_mm' => 8,
    'initial_c' => 20,
    'platen_c' => 185,
    'length_mm' => 600,
    'width_mm' => 450,
];
$anvil = [
    'press' => ['heater_kw' => 2.2, 'platen_kj_k' => 14, 'loss_kw' => 0.5],
    'cold_press' => ['platen_kj_k' => 18, 'cooling_w_k' => 12],
];
$slab = array_map(
    static fn (Record $case): array => $case->array('input'),
    (new Record(['cases' => Record::file(__DIR__.'/../tests/cases/heat.slab.json')->of]))->each('cases'),
);

$rows = [
    'heat.press_cycle, ideal press' => static fn () => $registry->run('heat.press_cycle', $panel),
    'heat.press_cycle, limited heaters, uncooled cold press' => static fn () => $registry->run(
        'heat.press_cycle',
        $panel + $anvil,
    ),
    'heat.press_schools, three rules' => static fn () => $registry->run('heat.press_schools', $panel + $anvil),
    'heat.slab, 10 mm between hot faces' => static fn () => $registry->run('heat.slab', $slab[0]),
    'heat.slab, two-phase melting' => static fn () => $registry->run('heat.slab', $slab[12]),
    'heat.slab, a flake bed closes' => static fn () => $registry->run('heat.slab', $slab[14]),
];
foreach ($rows as $name => $work) {
    printf("%-58s %.1f ms\n", $name, median($work));
}

// Every other calculation of heat, as Reckon opens it.
$examples = array_column($registry->bench(), 'example', 'name');
foreach ([
    'heat.vacuum_sheet',
    'heat.vacuum_cool',
    'heat.mould_contact',
    'heat.cooling_time',
    'heat.barrel_soak',
    'heat.bar_in_bath',
] as $name) {
    printf("%-58s %.1f ms\n", $name, median(static fn () => $registry->run($name, $examples[$name])));
}

// Cost must grow about linearly with cells and with steps. The bar's grid is explicit and in two dimensions: twice the
// cells a side are four times the cells and four times the steps.
$library = new PolymerLibrary;
$grids = [[1, 1], [2, 1], [4, 1], [1, 2], [1, 4]];
$scaled = [
    'heat.press_cycle' => [new PressCycle($library), Reader::read(PressCycleInput::class, $panel + $anvil), $grids],
    'heat.slab' => [new SlabCalculation, Reader::read(SlabInput::class, $slab[14]), $grids],
    'heat.vacuum_sheet' => [
        new VacuumSheet($library),
        Reader::read(VacuumSheetInput::class, $examples['heat.vacuum_sheet']),
        $grids,
    ],
    'heat.barrel_soak' => [
        new BarrelSoak($library),
        Reader::read(BarrelSoakInput::class, $examples['heat.barrel_soak']),
        $grids,
    ],
    'heat.bar_in_bath' => [
        new BarInBath($library),
        Reader::read(BarInBathInput::class, $examples['heat.bar_in_bath']),
        [[1, 1], [2, 1]],
    ],
];
foreach ($scaled as $name => [$calculation, $in, $sizes]) {
    foreach ($sizes as [$cells, $steps]) {
        $arguments = $name === 'heat.bar_in_bath' ? [$in, $cells] : [$in, $cells, $steps];
        printf(
            "%-58s %.1f ms\n",
            "{$name}, {$cells}× cells, {$steps}× steps",
            median(static fn () => $calculation(...$arguments), 9),
        );
    }
}

// A mesh of a million facets: a wavy plate written here as binary STL.
$file = (string) tempnam(sys_get_temp_dir(), 'mesh');
$side = 707;
$out = fopen($file, 'wb') ?: exit("no room for a mesh\n");
fwrite($out, str_pad('bench', 80).pack('V', 2 * $side * $side));
$height = static fn (int $x, int $y): float => 5 * sin($x / 40) * cos($y / 55);
for ($y = 0; $y < $side; $y++) {
    $row = '';
    for ($x = 0; $x < $side; $x++) {
        [$a, $b, $c, $d] = [$height($x, $y), $height($x + 1, $y), $height($x + 1, $y + 1), $height($x, $y + 1)];
        $row .= pack(
            'g12v',
            0,
            0,
            0,
            $x,
            $y,
            $a,
            $x + 1,
            $y,
            $b,
            $x + 1,
            $y + 1,
            $c,
            0,
        ).pack('g12v', 0, 0, 0, $x, $y, $a, $x + 1, $y + 1, $c, $x, $y + 1, $d, 0);
    }
    fwrite($out, $row);
}
fclose($out);
memory_reset_peak_usage();
$start = hrtime(true);
(new Registry(files: new LocalFiles))->run('mesh.measure', ['file' => $file]);
printf(
    "%-58s %.1f s, %.0f MB\n",
    'mesh.measure, '.number_format(2 * $side * $side).' facets',
    (hrtime(true) - $start) / 1e9,
    memory_get_peak_usage(true) / 1e6,
);
unlink($file);

$count = 5000;
$start = hrtime(true);
for ($i = 0; $i < $count; $i++) {
    $registry->run(
        'charge.sheet',
        ['length_mm' => 600 + $i % 7, 'width_mm' => 450, 'thickness_mm' => 8, 'polymer' => 'HDPE'],
    );
}
printf("%-58s %.0f a second\n", 'charge.sheet', $count / ((hrtime(true) - $start) / 1e9));

// Sorting simulated tubs of 5,000 items by the questions that identify.rank asks.
foreach ([[1.0, false], [1.0, true], [2.0, false], [2.0, true]] as [$off, $scale]) {
    $score = (new MixedTub($library))->sort(5000, $off, $scale, 7);
    printf(
        "%-58s %.1f %% decided, %.1f %% of them right, %.2f %% of them should stay cold, %d tests\n",
        'sorting'.($scale ? ' with a density' : '').($off > 1 ? ', table off by up to two' : ''),
        100 * $score->decided, 100 * $score->rightOfDecided, 100 * $score->neverHotAccepted, $score->medianTests,
    );
}
