<?php

declare(strict_types=1);

namespace Dithermic\Core\Identification;

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\InputError;

final readonly class Evidence implements Checked
{
    public function __construct(
        #[Field('id of a test, or "density"')] public string $test,
        #[Field('what was seen')] public ?string $result = null,
        #[Field('a weighed density', 'g/cm3', min: 0.5, max: 3)] public ?float $g_cm3 = null,
        #[Field('standard error of the density', 'g/cm3', min: 0.001, max: 0.2)] public ?float $se = null,
    ) {
    }

    public function check(): void
    {
        if ($this->test === Knowledge::DENSITY && $this->g_cm3 === null) {
            throw new InputError('g_cm3', 'is required: what the density came to');
        }
        if ($this->test !== Knowledge::DENSITY && $this->result === null) {
            throw new InputError('result', 'is required: say what was seen');
        }
    }
}
