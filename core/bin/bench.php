<?php

declare(strict_types=1);

// Times the core by itself: median of many after warming up, and how cost grows with cells and steps.

use Dithermic\Core\Calculator\Reader;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Heat\General\SlabCalculation;
use Dithermic\Core\Heat\General\SlabInput;
use Dithermic\Core\Heat\Press\PressCycle;
use Dithermic\Core\Heat\Press\PressCycleInput;
use Dithermic\Core\Material\PolymerLibrary;

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
$panel = ['polymer' => 'HDPE', 'thickness_mm' => 8, 'initial_c' => 20, 'platen_c' => 185, 'length_mm' => 600, 'width_mm' => 450];
$anvil = ['press' => ['heater_kw' => 2.2, 'platen_kj_k' => 14, 'loss_kw' => 0.5], 'cold_press' => ['platen_kj_k' => 18, 'cooling_w_k' => 12]];
$slab = json_decode((string) file_get_contents(__DIR__.'/../tests/cases/heat.slab.json'), true);

$rows = [
    'heat.press_cycle, ideal press' => static fn () => $registry->run('heat.press_cycle', $panel),
    'heat.press_cycle, limited heaters, uncooled cold press' => static fn () => $registry->run('heat.press_cycle', $panel + $anvil),
    'heat.press_schools, three rules' => static fn () => $registry->run('heat.press_schools', $panel + $anvil),
    'heat.slab, 10 mm between hot faces' => static fn () => $registry->run('heat.slab', $slab[0]['input']),
    'heat.slab, two-phase melting' => static fn () => $registry->run('heat.slab', $slab[12]['input']),
    'heat.slab, a flake bed closes' => static fn () => $registry->run('heat.slab', $slab[14]['input']),
];
foreach ($rows as $name => $work) {
    printf("%-58s %.1f ms\n", $name, median($work));
}

$cycle = new PressCycle(new PolymerLibrary);
$input = Reader::read(PressCycleInput::class, $panel + $anvil);
$general = new SlabCalculation;
$slabInput = Reader::read(SlabInput::class, $slab[14]['input']);
foreach (['press_cycle' => [$cycle, $input], 'slab' => [$general, $slabInput]] as $name => [$calculation, $in]) {
    foreach ([[1, 1], [2, 1], [4, 1], [1, 2], [1, 4]] as [$cells, $steps]) {
        printf("%-58s %.1f ms\n", "{$name}, {$cells}× cells, {$steps}× steps", median(static fn () => $calculation($in, $cells, $steps), 9));
    }
}

$count = 5000;
$start = hrtime(true);
for ($i = 0; $i < $count; $i++) {
    $registry->run('charge.sheet', ['length_mm' => 600 + $i % 7, 'width_mm' => 450, 'thickness_mm' => 8, 'polymer' => 'HDPE']);
}
printf("%-58s %.0f a second\n", 'charge.sheet', $count / ((hrtime(true) - $start) / 1e9));
