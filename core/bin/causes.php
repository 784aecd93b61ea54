<?php

declare(strict_types=1);

// `dithermic diagnose:runs [--runs N] [--first SEED] [--questions N]`: bad runs by the physics, and whether their cause
// is found.

use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Diagnosis\Trial\Doctor;
use Dithermic\Core\Diagnosis\Trial\Ward;
use Dithermic\Core\Material\PolymerLibrary;

require __DIR__.'/../autoload.php';

$options = ['runs' => '300', 'first' => '1', 'questions' => (string) Doctor::QUESTIONS];
for ($i = 1; $i < $argc; $i++) {
    $name = substr($argv[$i], 2);
    if (! isset($options[$name], $argv[$i + 1]) || ! ctype_digit($argv[$i + 1])) {
        fwrite(STDERR, "{$argv[$i]}: give --runs N, --first SEED or --questions N\n");
        exit(2);
    }
    $options[$name] = $argv[++$i];
}
$polymers = new PolymerLibrary;
$score = (new Ward(new Registry($polymers), $polymers))->score(
    (int) $options['runs'],
    (int) $options['first'],
    (int) $options['questions'],
);
$percent = static fn (int $of, int $all): string => sprintf('%.0f %%', 100 * $of / max(1, $all));
echo "| what went wrong | runs | first | among the first two |\n|---|---|---|---|\n";
foreach ($score->of as $name => $of) {
    echo "| {$name} | {$of['runs']} | {$of['first']} | {$of['second']} |\n";
}
printf(
    "\n%d runs, %d troubles, %d causes: first %s, among the first two %s; %.1f questions of at most %d, and %s first before any.\n",
    $score->runs,
    count($score->of),
    count(array_unique(array_map(static fn (string $n): string => explode(', ', $n)[1], array_keys($score->of)))),
    $percent($score->first, $score->runs),
    $percent($score->second, $score->runs),
    $score->asked / max(1, $score->runs),
    (int) $options['questions'],
    $percent($score->firstUnasked, $score->runs),
);
