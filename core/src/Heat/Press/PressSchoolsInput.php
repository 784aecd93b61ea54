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
        #[Field(
            'rules to judge, the shop\'s own and physics; physics alone unless given',
            of: RuleInput::class,
            atLeast: 1,
            atMost: 20,
        )]
        public ?array $rules = null,
    ) {
    }

    /** @return list<RuleInput> */
    public function rules(): array
    {
        return $this->rules ?? [new RuleInput(RuleInput::PHYSICS, 'by heat conduction')];
    }
}
