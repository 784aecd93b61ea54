<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Press;

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\InputError;

final readonly class RuleInput implements Checked
{
    public const PHYSICS = 'physics';

    public function __construct(
        #[Field('physics, or a name of your own')] public string $id,
        #[Field('what to call it')] public ?string $label = null,
        #[Field('heating for each millimetre', 'min/mm', above: 0, max: 120)] public ?float $heat_min_per_mm = null,
        #[Field('cooling as a multiple of heating', '', above: 0, max: 20)] public ?float $cool_ratio = null,
        #[Field(
            'cooling for each millimetre, in its place',
            'min/mm',
            above: 0,
            max: 120,
        )]
        public ?float $cool_min_per_mm = null,
    ) {
    }

    public function check(): void
    {
        if ($this->id === self::PHYSICS) {
            return;
        }
        if ($this->heat_min_per_mm === null) {
            throw new InputError('heat_min_per_mm', 'is required for a rule other than physics');
        }
        if ($this->cool_ratio === null && $this->cool_min_per_mm === null) {
            throw new InputError(
                'cool_ratio',
                'is required for a rule other than physics, or cool_min_per_mm in its place',
            );
        }
        if ($this->cool_ratio !== null && $this->cool_min_per_mm !== null) {
            throw new InputError('cool_min_per_mm', 'stands in place of cool_ratio: give one of them');
        }
    }
}
