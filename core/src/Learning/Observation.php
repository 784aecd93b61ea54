<?php

declare(strict_types=1);

namespace Dithermic\Core\Learning;

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\InputError;

/**
 * One time that was foretold, and what was seen of it: the time itself, or that it takes longer or shorter than one.
 */
final readonly class Observation implements Checked
{
    private const SEEN = ['actual', 'at_least', 'at_most'];

    public function __construct(
        #[Field('in any unit, the same as what was seen', '', above: 0, max: 1e9)] public float $predicted,
        #[Field('it took this', '', above: 0, max: 1e9)] public ?float $actual = null,
        #[Field('it was not ready yet then', '', above: 0, max: 1e9)] public ?float $at_least = null,
        #[Field('it was ready by then', '', above: 0, max: 1e9)] public ?float $at_most = null,
        #[Field('of ln of one such time', '', above: 0, max: 3)] public float $sd = 0.08,
    ) {
    }

    public function check(): void
    {
        $given = array_values(array_filter(self::SEEN, fn (string $name): bool => $this->{$name} !== null));
        if (count($given) !== 1) {
            throw new InputError(
                $given[1] ?? 'actual',
                $given === []
                    ? 'is required, or at_least or at_most in its place'
                    : "stands beside {$given[0]}: give one of them",
            );
        }
    }

    /** Ln of what was seen over what was foretold. */
    public function ratio(): float
    {
        return log(($this->actual ?? $this->at_least ?? $this->at_most ?? $this->predicted) / $this->predicted);
    }
}
