<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Compression;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Data\Record;
use Dithermic\Core\Run\Phase;
use Dithermic\Core\Run\Procedure;

/**
 * Sheets pressed one after another, the next heating while the last one cools: one comes every so many minutes as the
 * slower of the two presses is busy with it. A press is busy for its timed minutes and for the usual minutes of what
 * hands do there; what is made ready at the bench falls into the waits.
 */
final readonly class Series
{
    private const HOT = 'hot';

    private const COLD = 'cold';

    public function __construct(
        public int $sheets,
        #[Field('from one sheet to the next', 'min')] public float $takt_min,
        #[Field('the press that sets the pace: hot or cold')] public string $held_by,
        #[Field('from the first charge going in to the last sheet coming out', 'min')] public float $total_min,
        #[Field('pressed one after another without overlap', 'min')] public float $alone_min,
    ) {
    }

    /** @return array<array-key, mixed> how a run of several is worked */
    public static function procedure(): array
    {
        return Record::file(__DIR__.'/series.json')->of;
    }

    /** @param  array<string, float|int|string|null>  $targets  heat_min and cool_min among them */
    public static function of(int $sheets, array $targets): self
    {
        $procedure = new Procedure(self::procedure());
        $busy = [self::HOT => 0.0, self::COLD => 0.0];
        foreach ($procedure->steps(Phase::Piece) as $step) {
            if (isset($busy[$step->place])) {
                $busy[$step->place] += $procedure->minutes($step, $targets);
            }
        }
        $takt = max($busy);

        return new self(
            $sheets,
            round($takt, 2),
            $busy[self::COLD] > $busy[self::HOT] ? self::COLD : self::HOT,
            round(($sheets - 1) * $takt + array_sum($busy), 2),
            round($sheets * array_sum($busy), 2),
        );
    }
}
