<?php

declare(strict_types=1);

// `dithermic schedule:days [--days N] [--first SEED] [--seconds S]`: days with their mishaps, run by a list and by the
// plan.

use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Schedule\Trial\FirstCome;
use Dithermic\Core\Schedule\Trial\Tally;
use Dithermic\Core\Schedule\Trial\TrialDay;

require __DIR__.'/../autoload.php';

$options = ['days' => '20', 'first' => '1', 'seconds' => '0.1'];
for ($i = 1; $i < $argc; $i++) {
    $name = substr($argv[$i], 2);
    if (! isset($options[$name], $argv[$i + 1]) || ! is_numeric($argv[$i + 1])) {
        fwrite(STDERR, "{$argv[$i]}: give --days N, --first SEED or --seconds S\n");
        exit(2);
    }
    $options[$name] = $argv[++$i];
}
$polymers = new PolymerLibrary;
$ways = ['own' => new Tally, 'list' => new Tally, 'plan' => new Tally];
[$plans, $slowest] = [0, 0.0];
for ($seed = (int) $options['first'], $n = 0; $n < (int) $options['days']; $n++) {
    $day = new TrialDay($polymers, $seed + $n);
    $ways['own']->add($day->run(new FirstCome(eachTheirOwn: true)));
    $ways['list']->add($day->run(new FirstCome(eachTheirOwn: false)));
    $by = $day->asPlanned((float) $options['seconds']);
    $ways['plan']->add($day->run($by));
    $plans += $by->replanned;
    $slowest = max($slowest, $by->slowest);
}
$rows = [
    'idle hands, min a day' => static fn (Tally $t): string => sprintf('%.0f', $t->idleMin / $t->days),
    'clocks that rang at once, a day' => static fn (Tally $t): string => sprintf(
        '%.2f of %.0f',
        $t->ringsAtOnce / $t->days,
        $t->rings / $t->days,
    ),
    'late, min a day' => static fn (Tally $t): string => sprintf('%.0f', $t->lateMin / $t->days),
    'clocks that rang and waited, min a day' => static fn (Tally $t): string => sprintf(
        '%.0f',
        $t->calledMin / $t->days,
    ),
    'hot and held up, min a day' => static fn (Tally $t): string => sprintf('%.1f', $t->heldMin / $t->days),
    'pieces made, and not made, a day' => static fn (Tally $t): string => sprintf(
        '%.1f, %.1f',
        $t->made / $t->days,
        $t->notMade / $t->days,
    ),
    'dried again, in all' => static fn (Tally $t): string => (string) $t->driedAgain,
    'what must not be, in all' => static fn (Tally $t): string => (string) count($t->wrong),
];
echo "| {$options['days']} days | each with a job of their own | a list, all help | the plan |\n|---|---|---|---|\n";
foreach ($rows as $says => $of) {
    echo "| {$says} | {$of($ways['own'])} | {$of($ways['list'])} | {$of($ways['plan'])} |\n";
}
printf("\n%.1f plans a day, the longest in %.2f s\n", $plans / max(1, (int) $options['days']), $slowest);
foreach (array_merge($ways['own']->wrong, $ways['list']->wrong, $ways['plan']->wrong) as $says) {
    echo "{$says}\n";
}
