<?php

declare(strict_types=1);

namespace Dithermic\Core\Stock;

use Dithermic\Core\Safety\Block;
use Dithermic\Core\Safety\SourceState;

/**
 * What a run makes that is material again goes into one container, which is of the source that is trusted least of what
 * went in by then, and one pass hotter. It stays what it was opened as: nothing that is less goes into such a run
 * later.
 */
final class OneContainer
{
    /**
     * @param  non-empty-list<array{source: SourceState, generation: int}>  $in  lots of the run
     * @param  string  $name  of the other lot
     */
    public static function stops(array $in, string $name, SourceState $source, int $generation): ?Block
    {
        $trusted = min(array_map(static fn (array $lot): int => $lot['source']->trust(), $in));
        $passes = max(array_column($in, 'generation'));
        $why = match (true) {
            $source->trust() < $trusted => 'its source is trusted less',
            $generation > $passes => 'it was made again more often',
            default => null,
        };

        return $why === null ? null : new Block(
            'one_container',
            "What this run makes goes into one container, and {$name} is less than what is in it: {$why}.",
            Block::NOBODY,
            'Give it a run of its own.',
        );
    }
}
