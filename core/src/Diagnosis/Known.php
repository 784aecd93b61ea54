<?php

declare(strict_types=1);

namespace Dithermic\Core\Diagnosis;

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\InputError;

/** Where a setting stands, and how far it may go on this machine with this polymer and mould. */
final readonly class Known implements Checked
{
    public function __construct(
        #[Field('which setting')] public string $parameter,
        #[Field('', '', min: -1e9, max: 1e9)] public ?float $now = null,
        #[Field('', '', min: -1e9, max: 1e9)] public ?float $min = null,
        #[Field('', '', min: -1e9, max: 1e9)] public ?float $max = null,
    ) {
    }

    public function check(): void
    {
        if ($this->min !== null && $this->max !== null && $this->min > $this->max) {
            throw new InputError('max', 'is under min');
        }
    }
}
