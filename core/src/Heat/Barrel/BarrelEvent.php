<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Barrel;

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\InputError;

/** A load at the feed end, or a shot or a purging at the nozzle. */
final readonly class BarrelEvent implements Checked
{
    public function __construct(
        #[Field('', 's', min: 0, max: 1e9)] public float $at_s,
        public BarrelEventKind $kind,
        #[Field('', 'g', above: 0, max: 1e6)] public float $mass_g,
        #[Field('of a load: which lot it is')] public ?string $lot = null,
    ) {
    }

    public function check(): void
    {
        if ($this->kind === BarrelEventKind::Load && ($this->lot === null || $this->lot === '')) {
            throw new InputError('lot', 'is required for a load: say what goes in');
        }
    }
}
