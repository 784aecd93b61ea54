<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Change;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

/** All that stands between the last good part of one job and the first of the next, in the order of hands and waits. */
final class ChangePlan extends Result
{
    /**
     * @param  list<ChangeTask>  $tasks
     * @param  list<Position>  $positions
     * @param  list<Hose>  $hoses
     * @param  list<string>  $route
     * @param  list<string>  $against
     * @param  list<string>  $unknown
     * @param  list<string>  $under_way
     */
    public function __construct(
        #[Field('in the order in which they begin', of: ChangeTask::class)] public readonly array $tasks,
        #[Field('until the first parts are judged; null where there is no way', 'min')]
        public readonly ?float $total_min,
        #[Field('of all that is done by hands', 'min')] public readonly float $hands_min,
        #[Field('one thing after the other, as a list would do it', 'min')] public readonly float $serial_min,
        #[Field('no order with these hands is shorter', 'min')] public readonly float $bound_min,
        #[Field('polymer codes that go through the barrel, from the old one', of: 'string')]
        public readonly array $route,
        #[Field('of all purgings together', 'g')] public readonly float $purge_g,
        #[Field('of the clamp, from the mould\'s own measures', of: Position::class)] public readonly array $positions,
        #[Field('of its water', of: Hose::class)] public readonly array $hoses,
        #[Field('why the two must not meet, and then no purging may be left out; or why there is no way')]
        public readonly ?string $stop,
        #[Field('what speaks against this mould in this machine', of: 'string')] public readonly array $against,
        #[Field('what could not be looked at or worked out', of: 'string')] public readonly array $unknown,
        #[Field('tasks that go on already as it begins', of: 'string')] public readonly array $under_way = [],
    ) {
    }

    /** Whether anything is washed out or hung: heat, settings and first parts every run has. */
    public function changesAnything(): bool
    {
        return array_filter(
            $this->tasks,
            static fn (ChangeTask $t): bool => in_array($t->asks, [Asks::Purging, Asks::Ports], true) || $t->taps !== []
                || ($t->front && $t->asks === null),
        ) !== [];
    }
}
