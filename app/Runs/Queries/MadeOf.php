<?php

declare(strict_types=1);

namespace App\Runs\Queries;

use App\Runs\Data\MadeOfData;
use App\Runs\Models\Run;
use Dithermic\Core\Process\Alike;
use Dithermic\Core\Process\Processes;

/** Which piece of a run has how much of which lot. */
final readonly class MadeOf
{
    public function __construct(private Processes $processes)
    {
    }

    /** @return list<MadeOfData> in the order of its pieces; none of a run that was fed from one lot */
    public function run(Run $run): array
    {
        $state = $run->state();
        if ($state->lots === []) {
            return [];
        }
        $codes = [0 => $run->mainLot()->code] + array_column($state->lots, 'code', 'lot');
        $named = array_map(static function (array $shares) use ($codes): array {
            $of = [];
            foreach ($shares as $lot => $share) {
                $of[$codes[$lot]] = ($of[$codes[$lot]] ?? 0.0) + $share;
            }

            return $of;
        }, $this->processes->get($run->product->process)->madeOf(
            $run->procedureVersion->procedure(),
            $state,
            $run->plan,
        ));

        return array_map(
            static fn (array $of): MadeOfData => new MadeOfData($of[0], $of[1], (object) $of[2]),
            Alike::in($named),
        );
    }

    /**
     * Its pieces that have of one of some lots.
     *
     * @param  list<string>  $codes
     * @return string|null "1 to 14, 21"; null where it was fed from one lot, and all are alike
     */
    public function pieces(Run $run, array $codes): ?string
    {
        $of = $this->run($run);

        return $of === [] ? null : self::spans($of, $codes);
    }

    /**
     * @param  list<MadeOfData>  $of
     * @param  list<string>  $codes
     */
    public static function spans(array $of, array $codes): string
    {
        $spans = [];
        foreach ($of as $alike) {
            if (array_sum(array_intersect_key((array) $alike->shares, array_flip($codes))) <= 0.0) {
                continue;
            }
            $before = end($spans);
            $follows = $before !== false && $before[1] === $alike->from - 1;
            if ($follows) {
                array_pop($spans);
            }
            $spans[] = [$follows ? $before[0] : $alike->from, $alike->to];
        }

        return implode(', ', array_map(
            static fn (array $s): string => $s[0] === $s[1] ? (string) $s[0] : "{$s[0]} to {$s[1]}",
            $spans,
        ));
    }
}
