<?php

declare(strict_types=1);

namespace Dithermic\Core\Diagnosis\Trial;

use Dithermic\Core\Practice\Dice;
use Dithermic\Core\Safety\Process;

/**
 * A process as it is on a usual day, and what it does when one thing goes wrong. What a part has, and what is measured,
 * follows from the state of the machine by the physics of the process; what eyes see of it (where a flaw lies, how it
 * comes and goes, how a mould looks) is drawn for that state, as the trade has it. Nothing here looks at the ratios of
 * data/defects.json, which are what is tried.
 *
 * A state is a list of numbers by name: of settings as they really are, in °C, mm, s, or shares of what they should be.
 */
interface Scene
{
    public function process(): Process;

    public function mode(): ?string;

    /** @return array<string, list<string>> causes that it can make, by the defect that each shows as */
    public function troubles(): array;

    /** @return array<string, float> of a day on which nothing is wrong, with the spread of such days */
    public function usual(Dice $dice): array;

    /**
     * One thing gone wrong, by as much as chance has it: it need not be enough to show.
     *
     * @param  array<string, float>  $state
     * @return array<string, float>
     */
    public function spoil(array $state, Trouble $trouble, Dice $dice): array;

    /**
     * @param  array<string, float>  $state
     * @return list<string> defects that the part has
     */
    public function flaws(array $state): array;

    /**
     * What instruments and eyes would tell of it, with their own errors.
     *
     * @param  array<string, float>  $state
     * @return array<string, float|string|bool> by signal
     */
    public function reads(array $state, string $defect, Dice $dice): array;

    /** @return list<string> signals that the house has without anybody being asked */
    public function knows(): array;

    /**
     * The true answers to the questions of causes.
     *
     * @param  array<string, float>  $state
     * @return array<string, bool> by "cause.k"; what is not here nobody can tell
     */
    public function says(array $state, string $defect): array;
}
