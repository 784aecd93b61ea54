<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Press;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Flatten;

final readonly class PressSchoolsInput
{
    /** @param  list<RuleInput>|null  $rules */
    public function __construct(
        #[Flatten] public PressCycleInput $cycle,
        #[Field('rules to judge; two linear ones and physics unless given', of: RuleInput::class, atLeast: 1, atMost: 20)] public ?array $rules = null,
    ) {
    }

    /** @return list<RuleInput> */
    public function rules(): array
    {
        return $this->rules ?? [
            new RuleInput('linear_fast', '4 min for each mm, cool twice as long', 4.0, 2.0),
            new RuleInput('linear_slow', '6 min for each mm, cool as long', 6.0, 1.0),
            new RuleInput('physics', 'by heat conduction'),
        ];
    }
}
