<?php

declare(strict_types=1);

namespace Dithermic\Core\Process;

/**
 * A piece that was cut hot and waits to be fed to another machine, as it is at a moment. Times in seconds since 1970
 * UTC.
 */
final readonly class OnRack
{
    /**
     * @param  float  $keepsUntil  it shortens a soak until then
     * @param  float  $meanC  of one that holds as much heat throughout
     */
    public function __construct(
        public int $piece,
        public float $cutAt,
        public float $keepsUntil,
        public float $massG,
        public float $lengthMm,
        public float $coreC,
        public float $meanC,
        public float $soakMin,
        public bool $gains,
    ) {
    }
}
