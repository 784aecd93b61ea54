<?php

declare(strict_types=1);

namespace Dithermic\Core\Run;

use Dithermic\Core\Data\Record;

/**
 * A piece goes back to a step that it has been through, as often as the plan lets it: a spoiled sheet is formed again.
 */
final readonly class Again
{
    /**
     * @param  string  $to  the step, by id
     * @param  string|null  $minutes  the plan's minutes of that step's timer then, before what it takes the first time
     * @param  string|null  $most  the plan's number of times; without it, or where the plan has none, as often as one likes
     * @param  string  $says  why not once more
     */
    private function __construct(public string $to, public ?string $minutes, public ?string $most, public string $says)
    {
    }

    public static function of(Record $entry): ?self
    {
        $to = $entry->mayText('again.to');

        return $to === null ? null : new self(
            $to,
            $entry->mayText('again.minutes'),
            $entry->mayText('again.most'),
            $entry->mayText('again.says') ?? 'not once more',
        );
    }
}
