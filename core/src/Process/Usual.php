<?php

declare(strict_types=1);

namespace Dithermic\Core\Process;

use Dithermic\Core\Material\Polymer;

/** What a setting is where nobody says it, where that comes from, and the window it may lie in. */
final readonly class Usual
{
    public const PRACTICE = 'usual practice';

    public function __construct(
        public ?float $value,
        public string $origin = self::PRACTICE,
        public ?float $low = null,
        public ?float $target = null,
        public ?float $high = null,
    ) {
    }

    /** From a window of the library: {min, typical, max}. */
    public static function window(Polymer $polymer, string $process, string $name): self
    {
        $window = $polymer->process($process)->range($name);

        return $window === null ? new self(null, '') : new self(
            $window->typical,
            $polymer->origin("process.{$process}.{$name}"),
            $window->min,
            $window->typical,
            $window->max,
        );
    }
}
