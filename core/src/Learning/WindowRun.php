<?php

declare(strict_types=1);

namespace Dithermic\Core\Learning;

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\InputError;

/** A run at its two settings, and how many of its pieces came good and bad. */
final readonly class WindowRun implements Checked
{
    public function __construct(
        #[Field('the one setting', min: -1e9, max: 1e9)] public float $x,
        #[Field('the other', min: -1e9, max: 1e9)] public float $y,
        #[Field('pieces', min: 0, max: 1e6)] public int $good,
        #[Field('pieces', min: 0, max: 1e6)] public int $bad,
    ) {
    }

    public function check(): void
    {
        if ($this->good + $this->bad === 0) {
            throw new InputError('good', 'good and bad are both none: a run without a verdict tells nothing');
        }
    }

    public function pieces(): int
    {
        return $this->good + $this->bad;
    }

    public function share(): float
    {
        return $this->good / $this->pieces();
    }
}
