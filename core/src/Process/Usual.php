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
        $window = $polymer->process($process)[$name] ?? null;
        if (! is_array($window)) {
            return new self(null, '');
        }
        $bound = static fn (string $of): ?float => isset($window[$of]) ? (float) $window[$of] : null;

        return new self(
            $bound('typical'),
            $polymer->origin("process.{$process}.{$name}"),
            $bound('min'),
            $bound('typical'),
            $bound('max'),
        );
    }
}
