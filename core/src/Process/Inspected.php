<?php

declare(strict_types=1);

namespace Dithermic\Core\Process;

/** What a check of a piece says, computed from what was measured. */
final readonly class Inspected
{
    /**
     * @param  array<string, float>  $figures  by the id of the process's figures
     * @param  array<string, mixed>  $result  whole, as a screen shows it
     */
    public function __construct(public string $kind, public ?float $massG, public array $figures, public array $result)
    {
    }
}
