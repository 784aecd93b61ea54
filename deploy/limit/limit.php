<?php

declare(strict_types=1);

// How far PHP is from C: `dithermic bench --limit`. Both solve the same cases by the same scheme; limit.c says which.

use Dithermic\Core\Heat\Conduction\Grid;
use Dithermic\Core\Heat\Conduction\Held;
use Dithermic\Core\Heat\Conduction\Insulated;
use Dithermic\Core\Heat\Conduction\Layer;
use Dithermic\Core\Heat\Conduction\Stack;
use Dithermic\Core\Heat\Conduction\Substance;
use Dithermic\Core\Material\MaterialInput;
use Dithermic\Core\Material\PolymerLibrary;

require __DIR__.'/../../vendor/autoload.php';

const TIMES = 15;

/** Milliseconds of the middle of some, after one that the compiler learns from. */
function middle(callable $solve): float
{
    $took = [];
    for ($i = 0; $i <= TIMES; $i++) {
        $began = hrtime(true);
        $solve();
        $took[] = (hrtime(true) - $began) / 1e6;
    }
    $took = array_slice($took, 1);
    sort($took);

    return $took[intdiv(count($took), 2)];
}

/**
 * @param  list<int|float>  $numbers
 * @return array{float, int, list<float>} what C says: ms, steps, temperatures
 */
function inC(string $program, string $which, array $numbers): array
{
    $pipe = proc_open([$program], [['pipe', 'r'], ['pipe', 'w'], STDERR], $pipes) ?: exit(1);
    fwrite(
        $pipes[0],
        "{$which} 200 ".implode(' ', array_map(static fn ($n): string => sprintf('%.17g', $n), $numbers)),
    );
    fclose($pipes[0]);
    $said = explode(' ', trim((string) stream_get_contents($pipes[1])));
    if (proc_close($pipe) !== 0) {
        exit(1);
    }

    return [(float) $said[0], (int) $said[1], array_map(floatval(...), array_slice($said, 2))];
}

/** @return list<int|float> a substance as C reads it */
function told(Substance $s): array
{
    $plain = ! is_finite($s->rangeStart);

    return [
        $s->density, $s->cSolid, $s->cMelt, $s->kSolid, $s->kMelt, $s->fusion,
        $plain ? 0 : $s->rangeStart, $plain ? 0 : $s->rangeEnd, is_finite($s->freeze) ? $s->freeze : 0,
        (int) $s->hysteresis, (int) $plain,
    ];
}

$program = $argv[1];
$library = new PolymerLibrary;
$polymer = static fn (string $code): Substance => Substance::polymer((new MaterialInput(polymer: $code))->thermal($library));
$rows = [];

// A moulded wall of 3 mm of PP in aluminium for half a minute, and a pressed sheet of 20 mm of HDPE cooling for an
// hour.
$metal = Substance::constant(150.0, 2750.0, 890.0);
foreach ([
    [
        'wall of 3 mm in aluminium, 30 s', [[$polymer('PP'), 0.0015, 14, 220.0, 2000.0], [$metal, 0.03, 14, 40.0, 0.0]],
        20.0, 500.0, 30.0, 5.0,
    ],
    ['half a sheet of 20 mm, an hour', [[$polymer('HDPE'), 0.01, 60, 185.0, 0.0]], 25.0, 200.0, 3600.0, 3.0],
] as [$name, $layers, $cold, $conductance, $end, $stepK]) {
    $make = static fn (): Stack => new Stack(
        array_map(
            static fn (array $l): Layer => new Layer($l[0], $l[1], $l[2], $l[3], $l[4] > 0 ? $l[4] : null),
            $layers,
        ),
        new Insulated,
        new Held($cold, $conductance),
        stepK: $stepK,
    );
    $last = $make();
    $php = middle(static function () use ($make, $end, &$last): void {
        $last = $make();
        $last->run($end);
    });
    $said = [count($layers), $stepK, $end, $cold, $conductance];
    foreach ($layers as $l) {
        $said = [...$said, ...told($l[0]), $l[1], $l[2], $l[3], $l[4]];
    }
    [$c, $steps, $t] = inC($program, 'stack', $said);
    $rows[] = [$name, $php, $c, $last->steps, $steps, $last->t, $t];
}

// A bar of 40 by 40 mm of HDPE in a bath.
[$nx, $ny, $wanted] = [24, 24, 600];
$bar = static fn (): Grid => new Grid($polymer('HDPE'), 0.04, 0.04, $nx, $ny, 180.0, 20.0, 400.0);
$last = $bar();
$php = middle(static function () use ($bar, $wanted, &$last): void {
    $last = $bar();
    $steps = 0;
    $last->run(INF, static function () use (&$steps, $wanted): bool {
        return ++$steps === $wanted;
    });
});
$fresh = $bar();
/** @var Closure(string): list<float> $of what the grid keeps to itself, a number or a table */
$of = static fn (string $name): array => (array) (new ReflectionProperty(Grid::class, $name))->getValue($fresh);
$s = $polymer('HDPE');
[$c, $steps, $t] = inC($program, 'grid', [
    $nx, $ny, $wanted, count($of('tTable')), ...$of('dx'), ...$of('dy'), ...$of('dt'), $s->density, 20.0, 400.0,
    ...$of('hLow'), ...$of('perStep'), $s->enthalpy(180.0), ...$of('tTable'), ...$of('kTable'),
]);
$rows[] = ['bar of 40 x 40 mm, 600 steps', $php, $c, $wanted, $steps, array_merge(...($last->section())()), $t];

printf("%-34s %9s %9s %7s %7s  %s\n", 'case', 'PHP', 'C', 'ratio', 'steps', 'greatest difference');
$same = true;
foreach ($rows as [$name, $php, $c, $steps, $inC, $ts, $t]) {
    $off = max(0.0, ...array_map(static fn (float $a, float $b): float => abs($a - $b), array_values($ts), $t));
    $same = $same && $steps === $inC && $off < 1e-6;
    printf("%-34s %6.2f ms %6.3f ms %6.1fx %7d  %.1e K\n", $name, $php, $c, $php / $c, $steps, $off);
}
exit($same ? 0 : 1);
