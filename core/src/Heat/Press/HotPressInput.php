<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Press;

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\InputError;

/** What each platen of a real hot press can do: its heaters, its own heat capacity and its loss when idle. */
final readonly class HotPressInput implements Checked
{
    public function __construct(
        #[Field('heater power of each platen', 'kW', above: 0, max: 1000)] public float $heater_kw,
        #[Field('heat capacity of each platen', 'kJ/K', above: 0, max: 100000)] public float $platen_kj_k,
        #[Field('loss of each platen when idle at its set-point', 'kW', min: 0, max: 1000)] public float $loss_kw = 0.0,
    ) {
    }

    public function check(): void
    {
        if ($this->heater_kw <= $this->loss_kw) {
            throw new InputError('heater_kw', 'must be above loss_kw, or the platen never reaches its set-point');
        }
    }
}
