<?php

declare(strict_types=1);

namespace Dithermic\Core\Diagnosis;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Safety\Process;

final readonly class RankInput
{
    /**
     * @param  list<SeenDefect>  $defects
     * @param  array<string, mixed>  $signals
     * @param  array<string, mixed>  $answers
     * @param  list<Change>  $history
     * @param  list<Known>  $known
     * @param  list<string>  $unreadable
     */
    public function __construct(
        public Process $process,
        #[Field('what is seen', of: SeenDefect::class, atLeast: 1, atMost: 10)] public array $defects,
        #[Field('what was read or seen of the run, by its name', of: 'named')] public array $signals = [],
        #[Field('profile or mould_fill; single_stage or two_stage')] public ?string $mode = null,
        #[Field(
            'yes, no or unknown to the k-th question of a cause: "cause.k", from 0',
            of: 'named',
        )]
        public array $answers = [],
        #[Field('changes made before, in order', of: Change::class, atMost: 500)] public array $history = [],
        #[Field('settings as they stand, with their limits', of: Known::class, atMost: 100)] public array $known = [],
        #[Field('lever, motor, drum or screw')] public ?string $machine_kind = null,
        #[Field('signals that nobody can read here: not asked for', of: 'string', atMost: 100)]
        public array $unreadable = [],
    ) {
    }
}
