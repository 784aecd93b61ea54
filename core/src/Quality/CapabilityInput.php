<?php

declare(strict_types=1);

namespace Dithermic\Core\Quality;

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\InputError;

final readonly class CapabilityInput implements Checked
{
    /**
     * @param  list<float>  $data
     */
    public function __construct(
        #[Field('measured', '', of: 'number', min: -1e12, max: 1e12, atLeast: 2, atMost: 100000)] public array $data,
        #[Field('lower limit')] public ?float $lsl = null,
        #[Field('upper limit')] public ?float $usl = null,
    ) {
    }

    public function check(): void
    {
        if ($this->lsl === null && $this->usl === null) {
            throw new InputError('usl', 'give at least one limit');
        }
        if ($this->lsl !== null && $this->usl !== null && $this->lsl >= $this->usl) {
            throw new InputError('usl', 'must be above lsl');
        }
        if (max($this->data ?: [0]) <= min($this->data ?: [0])) {
            throw new InputError('data', 'all values are the same: there is no spread to judge');
        }
    }
}
