<?php

declare(strict_types=1);

namespace Dithermic\Core\Calculator;

/**
 * Where a calculation finds a file that its input names. What a name may be is the door's business, not the
 * calculation's.
 */
interface Files
{
    /**
     * @return string the path of a regular, readable file on this machine
     *
     * @throws InputError file, when the name means none
     */
    public function path(string $name): string;

    /**
     * Told now and then by a calculation that reads for long.
     *
     * @param  float  $share  how much of its work is done, 0 to 1
     */
    public function progress(float $share): void;
}
