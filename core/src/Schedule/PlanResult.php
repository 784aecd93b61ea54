<?php

declare(strict_types=1);

namespace Dithermic\Core\Schedule;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class PlanResult extends Result
{
    /**
     * @param  list<PlacedTask>  $tasks
     * @param  list<Hand>  $hands
     * @param  list<Late>  $late
     * @param  list<Impossible>  $impossible
     * @param  list<Moved>  $moved
     */
    public function __construct(
        #[Field('by their start', of: PlacedTask::class)] public readonly array $tasks,
        #[Field('by their start', of: Hand::class)] public readonly array $hands,
        #[Field('no plan ends sooner after now', 'min')] public readonly float $bound_min,
        #[Field('from now to the end of the last task', 'min')] public readonly float $makespan_min,
        #[Field('', of: Late::class)] public readonly array $late,
        #[Field('', of: Impossible::class)] public readonly array $impossible,
        #[Field('against the plan before', of: Moved::class)] public readonly array $moved,
        #[Field('of people between their first and their last hands', 'min')] public readonly float $idle_hand_min,
        #[Field('moments at which more than one thing rings within a minute')] public readonly int $rings_at_once,
        #[Field('of the fullest phase', 'A')] public readonly float $supply_peak,
        #[Field('plans that were built to find this one')] public readonly int $tried,
    ) {
    }
}
