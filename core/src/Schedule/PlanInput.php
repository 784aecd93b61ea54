<?php

declare(strict_types=1);

namespace Dithermic\Core\Schedule;

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\InputError;

/** What is to be made, on what, with whose hands. All times are minutes on one axis, from whatever moment. */
final readonly class PlanInput implements Checked
{
    public const BY_ROUTE = 'by route';

    /** tasks of all pieces, at most: what is planned within the time that an answer may take */
    private const MOST_TASKS = 4000;

    /**
     * @param  list<Station>  $stations
     * @param  list<Job>  $jobs
     * @param  list<Person>  $people
     * @param  list<PlacedTask>  $previous
     */
    public function __construct(
        #[Field('nothing begins before', 'min')] public float $now,
        #[Field('nothing ends after', 'min')] public float $horizon_end,
        #[Field('', of: Station::class, atLeast: 1, atMost: 200)] public array $stations,
        #[Field('', of: Job::class, atLeast: 1, atMost: 400)] public array $jobs,
        #[Field('', of: Person::class, atMost: 100)] public array $people = [],
        public ?Supply $supply = null,
        #[Field('minutes from one polymer to another, {from: {to: minutes}}, or "by route"')]
        public mixed $changeover = self::BY_ROUTE,
        #[Field('a plan to stay near', of: PlacedTask::class, atMost: 5000)] public array $previous = [],
        #[Field('of a minute that a task moves against it', '', min: 0, max: 1e6)] public float $stay_weight = 0.1,
        #[Field('', 's', min: 0.05, max: 20)] public float $time_limit_s = 1.0,
        #[Field('the same seed gives the same plan')] public int $seed = 1,
    ) {
    }

    public function check(): void
    {
        if ($this->horizon_end <= $this->now) {
            throw new InputError('horizon_end', 'must be after now');
        }
        $stations = self::ids('stations', $this->stations);
        self::ids('people', $this->people);
        self::ids('jobs', $this->jobs);
        $tasks = 0;
        foreach ($this->jobs as $j => $job) {
            $tasks += $job->pieces * count($job->tasks);
            foreach ($job->tasks as $t => $task) {
                foreach ($task->stations as $s => $option) {
                    if (! isset($stations[$option->station])) {
                        throw new InputError(
                            "jobs.{$j}.tasks.{$t}.stations.{$s}.station",
                            "is none of the stations: {$option->station}",
                        );
                    }
                }
            }
        }
        if ($tasks > self::MOST_TASKS) {
            throw new InputError('jobs', "have {$tasks} tasks in all: at most ".self::MOST_TASKS.', plan fewer days');
        }
        $this->checkChangeover();
    }

    /** @return array<string, array<string, float>>|null minutes by polymers, null where they are priced by route */
    public function matrix(): ?array
    {
        if (! is_array($this->changeover)) {
            return null;
        }
        $matrix = [];
        foreach ($this->changeover as $from => $row) {
            foreach (is_array($row) ? $row : [] as $to => $minutes) {
                $matrix[(string) $from][(string) $to] = is_numeric($minutes) ? (float) $minutes : INF;
            }
        }

        return $matrix;
    }

    private function checkChangeover(): void
    {
        if ($this->changeover === self::BY_ROUTE) {
            return;
        }
        foreach (is_array($this->changeover) ? $this->changeover : ['' => null] as $from => $row) {
            foreach (is_array($row) ? $row : ['' => null] as $to => $minutes) {
                if ((! is_int($minutes) && ! is_float($minutes)) || $minutes < 0 || ! is_finite((float) $minutes)) {
                    throw new InputError(
                        trim("changeover.{$from}.{$to}", '.'),
                        'must be minutes by {from: {to: minutes}}, or "by route"',
                    );
                }
            }
        }
    }

    /**
     * @param  list<Station|Person|Job>  $of
     * @return array<string, true>
     */
    private static function ids(string $field, array $of): array
    {
        $ids = [];
        foreach ($of as $i => $one) {
            if ($one->id === '' || isset($ids[$one->id])) {
                throw new InputError("{$field}.{$i}.id", $one->id === '' ? 'is empty' : "is used twice: {$one->id}");
            }
            $ids[$one->id] = true;
        }

        return $ids;
    }
}
