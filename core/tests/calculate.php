<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Process\Processes;
use Dithermic\Core\Run\Procedure;

/**
 * A calculation's answer as whoever asks over a door gets it.
 *
 * @param  array<string, mixed>  $input
 * @return array<string, mixed>
 */
function calculate(string $name, array $input): array
{
    return json_decode((string) json_encode((new Registry)->run($name, $input)), true);
}

/** The procedure that a process ships. */
function shipped(string $process): Procedure
{
    return new Procedure((new Processes(new Registry))->get($process)->procedure());
}
