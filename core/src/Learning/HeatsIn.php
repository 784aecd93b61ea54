<?php

declare(strict_types=1);

namespace Dithermic\Core\Learning;

/** What is learnt of something that heats sheets beside what is known of it, as the time that the last sheet takes. */
final readonly class HeatsIn
{
    /** what differs by less than this is no news, as a share of the time */
    private const WORTH = 0.03;

    /**
     * @param  float|null  $will  by what was learnt; null where it would never get such a sheet hot
     * @param  float|null  $would  by what is known; null where nothing is
     * @param  string  $number  how such a time is written
     */
    public function __construct(
        private ?float $will,
        private ?float $would,
        private string $unit,
        private string $number = '%.1f',
    ) {
    }

    /** Whether plans would come out otherwise by it. */
    public function isNews(): bool
    {
        return $this->would === null || $this->will === null || abs($this->will / $this->would - 1) >= self::WORTH;
    }

    /** @param  string  $from  what it is from, and "say" or "says" */
    public function says(string $from): string
    {
        if ($this->will === null) {
            return "{$from} that it never gets such a sheet hot: look at its heaters.";
        }
        $will = sprintf($this->number, $this->will)." {$this->unit}";

        return match (true) {
            $this->would === null => "{$from} that it heats the last sheet in {$will}. Nothing was known of it.",
            ! $this->isNews() => "{$from} the same as what is known of it: {$will} for the last sheet.",
            default => sprintf(
                "%s that it takes %.0f %% %s than what is known of it would: %s for the last sheet instead of {$this->number}.",
                $from,
                100 * abs($this->will / $this->would - 1),
                $this->will > $this->would ? 'longer' : 'less',
                $will,
                $this->would,
            ),
        };
    }
}
