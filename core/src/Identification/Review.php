<?php

declare(strict_types=1);

namespace Dithermic\Core\Identification;

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Data\Record;
use Dithermic\Core\Material\PolymerLibrary;
use RuntimeException;

/** What was decided by an older rule, judged by the one in force. */
final readonly class Review
{
    public function __construct(private PolymerLibrary $polymers, private Knowledge $knowledge = new Knowledge)
    {
    }

    /** Easily taken for what must never go hot: such a lot wants a test that tells. */
    public function isLookAlike(string $polymer): bool
    {
        return in_array($polymer, $this->knowledge->lookAlikes, true);
    }

    /**
     * Why a lot of a look-alike is to be looked at again; null when its tests tell.
     *
     * @param  list<array<string, mixed>>|null  $evidence  of the identification that made it one; null when there was none
     */
    public function doubts(string $polymer, ?array $evidence): ?string
    {
        if (! $this->isLookAlike($polymer)) {
            return null;
        }
        if ($evidence === null) {
            return "{$polymer} by word only: no test has told it from PVC or from what does not melt.";
        }
        try {
            $items = array_map(static fn (array $e): Evidence => self::read(new Record($e)), $evidence);
            $now = (new Rank($this->polymers, $this->knowledge))(new RankInput($items));
        } catch (InputError|RuntimeException) {
            return "{$polymer} by tests that are not understood any more: find it anew.";
        }

        return $now->decision === $polymer || in_array($polymer, $now->family, true)
            ? null
            : "{$polymer} by tests that do not tell enough: {$now->because}";
    }

    private static function read(Record $kept): Evidence
    {
        return new Evidence(
            $kept->text('test', ''),
            $kept->mayText('result'),
            $kept->mayNumber('g_cm3'),
            $kept->mayNumber('se'),
        );
    }
}
