<?php

declare(strict_types=1);

namespace Dithermic\Core\Practice;

use Dithermic\Core\Run\RunState;
use Dithermic\Core\Run\Step;

/**
 * A machine at work, with a truth of its own that differs from its plate and that nobody in the shop sees. What is
 * observed of it follows from the physics of its process under that truth.
 */
interface Plant
{
    /**
     * What hands write down in a step before it is done, in order.
     *
     * @param  int|null  $piece  null in set-up and closing steps
     * @param  float  $began  when the step began, seconds since 1970 UTC
     * @param  float  $now  when they are about to pass on
     * @return list<Observed>
     */
    public function seen(Step $step, ?int $piece, float $began, float $now): array;

    /**
     * What hands write down when a reminder asks them to.
     *
     * @param  int|null  $piece  null in set-up and closing steps, and in a run that is one pass
     */
    public function reminded(string $entry, ?int $piece): ?Observed;

    /**
     * What its instruments wrote meanwhile.
     *
     * @return list<array{at: float, place: string, channel: string, value: float}>
     */
    public function readings(float $from, float $to): array;

    /**
     * What they write between two moments of a run that people work, as far as that has come.
     *
     * @return list<array{at: float, place: string, channel: string, value: float}>
     */
    public function live(RunState $state, float $from, float $to): array;
}
