<?php

declare(strict_types=1);

// `dithermic schedule:benchmark FILE [--seconds N] [--seed S]`: a classic job shop in its text format, planned on one
// core.

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Schedule\JobShop\Instance;
use Dithermic\Core\Schedule\JobShop\Tabu;

require __DIR__.'/../autoload.php';

const MOST_BYTES = 200_000;

$options = ['seconds' => '20', 'seed' => '1'];
$file = null;
for ($i = 1; $i < $argc; $i++) {
    $name = str_starts_with($argv[$i], '--') ? substr($argv[$i], 2) : null;
    if ($name === null) {
        $file = $argv[$i];
    } elseif (isset($options[$name], $argv[$i + 1]) && is_numeric($argv[$i + 1])) {
        $options[$name] = $argv[++$i];
    } else {
        fwrite(STDERR, "{$argv[$i]}: give --seconds N or --seed S\n");
        exit(2);
    }
}
if ($file === null || ! is_file($file) || ! is_readable($file) || filesize($file) > MOST_BYTES) {
    fwrite(STDERR, 'give a file with a job shop, of at most '.MOST_BYTES." bytes\n");
    exit(2);
}
try {
    $shop = Instance::parse((string) file_get_contents($file));
} catch (InputError $error) {
    fwrite(STDERR, "{$error->field} {$error->getMessage()}\n");
    exit(1);
}
$began = hrtime(true);
$starts = (new Tabu($shop, (int) $options['seed']))->search((float) $options['seconds'], enough: $shop->bound());
$seconds = (hrtime(true) - $began) / 1e9;
$makespan = $shop->makespan($starts);
echo json_encode([
    'makespan' => $makespan,
    // Known only where no plan can be shorter: it meets the bound.
    'optimum_known' => $makespan === $shop->bound() ? $makespan : null,
    'seconds' => round($seconds, 3),
    'valid' => $shop->holds($starts),
]), "\n";
