<?php

declare(strict_types=1);

namespace Dithermic\Core\Learning;

/** What the readings of ordinary runs say of a machine. */
final readonly class MachineLearnt
{
    /**
     * @param  list<FactLearnt>  $facts
     * @param  list<int>  $runs  numbers of the runs that it is from
     * @param  string  $says  one sentence
     * @param  bool  $enough  good enough to plan by
     * @param  bool  $otherwise  plans would come out otherwise by it
     * @param  list<string>  $missing  what would tell more
     */
    public function __construct(
        public array $facts,
        public array $runs,
        public string $says,
        public bool $enough,
        public bool $otherwise,
        public array $missing,
    ) {
    }
}
