<?php

declare(strict_types=1);

namespace Dithermic\Core\Settings;

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\InputError;

/** What the shop knows of one setting: from a run on this machine that was good, or as a rule of its own. */
final readonly class Known implements Checked
{
    public function __construct(
        #[Field(
            'which setting, as the answer names it: melt_c, mould_c, platen_c, sheet_normal_c …',
        )]
        public string $setting,
        #[Field('', '', min: -1e6, max: 1e6)] public float $target,
        #[Field('', '', min: -1e6, max: 1e6)] public ?float $low = null,
        #[Field('', '', min: -1e6, max: 1e6)] public ?float $high = null,
        #[Field('which run, or why')] public string $because = '',
    ) {
    }

    public function check(): void
    {
        if (($this->low ?? $this->target) > $this->target || ($this->high ?? $this->target) < $this->target) {
            throw new InputError('target', 'must lie between low and high');
        }
    }
}
