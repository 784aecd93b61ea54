<?php

declare(strict_types=1);

namespace Dithermic\Core\Safety;

use Dithermic\Core\Calculator\Field;

final readonly class CheckInput
{
    /** @param  list<LotFacts>  $lots */
    public function __construct(
        public Process $process,
        #[Field('what goes in', of: LotFacts::class, atLeast: 1, atMost: 50)] public array $lots,
        public SettingsFacts $settings,
        public Answers $answers = new Answers,
        public MachineFacts $machine = new MachineFacts,
        public Scale $scale = Scale::Production,
        public MouldFacts $mould = new MouldFacts,
        public ChargeFacts $charge = new ChargeFacts,
    ) {
    }
}
