<?php

declare(strict_types=1);

namespace Dithermic\Core\Diagnosis;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Calculator\InputError;

/**
 * Which cause is behind a defect, by Bayes over the knowledge of data/defects.json: weight = prior/(1 − prior) × ratio.
 * Of evidence that shares a group only the strongest counts in full, the square root of the others; answers count yes ×
 * 3, no × 0.4; the whole ratio is held between 0.02 and 50. Of several defects a cause that they share has the sum of
 * severity × ln weight. The priors are estimates of practice, not frequencies: the shop's own outcomes go before them.
 *
 * @phpstan-import-type Cause from Knowledge
 * @phpstan-import-type Remedy from Knowledge
 * @phpstan-import-type Seen from Knowledge
 */
#[Calc('diagnose.rank', 'what is behind a defect, what to ask next, and the one thing to change', size: 'defects')]
final readonly class Rank
{
    private const RATIO = [0.02, 50.0];

    /** a cause is clear enough to act on when it holds this much and leads the second by so many times */
    private const CLEAR = [0.35, 1.5];

    /** questions of so many leading causes are weighed against each other */
    private const LEADING = 2;

    /** what expects to tell less than this is not worth asking, bit */
    private const WORTH_BITS = 0.005;

    private Knowledge $knowledge;

    public function __construct(?Knowledge $knowledge = null)
    {
        $this->knowledge = $knowledge ?? new Knowledge;
    }

    public function __invoke(RankInput $in): RankResult
    {
        [$signals, $answers] = $this->seen($in);
        $weights = $this->weights($in, $signals, $answers);
        $total = array_sum($weights);
        $shares = array_map(static fn (float $w): float => $w / $total, $weights);
        arsort($shares);
        $causes = [];
        foreach ($shares as $id => $share) {
            $causes[] = $this->cause($in, (string) $id, $share, $signals, $answers);
        }
        [$least, $leads] = self::CLEAR;
        $clear = $causes[0]->probability >= $least
            && $causes[0]->probability >= $leads * ($causes[1]->probability ?? 0.0);
        $question = $this->question($in, $shares, $signals, $answers);
        [$change, $held] = $clear ? $this->change($in, $causes[0]) : [null, []];
        $result = new RankResult($causes, $question, $change, $this->cautions($in, $change, $signals));
        foreach ([...$held, ...$this->conflicts($in, $causes)] as $says) {
            $result->warn($says);
        }

        return $result->explain(match (true) {
            $change !== null => sprintf(
                'Most likely: %s, %.0f %%. Change one thing: %s.',
                lcfirst($causes[0]->name),
                100 * $causes[0]->probability,
                lcfirst($change->name),
            ),
            $clear => sprintf(
                'Most likely: %s, %.0f %%, and nothing is left to change for it here.',
                lcfirst($causes[0]->name),
                100 * $causes[0]->probability,
            ),
            $question !== null => sprintf(
                'Not clear yet: %s %.0f %%, %s %.0f %%. First: %s',
                lcfirst($causes[0]->name),
                100 * $causes[0]->probability,
                lcfirst($causes[1]->name ?? 'none'),
                100 * ($causes[1]->probability ?? 0.0),
                $question->text,
            ),
            default => 'Not clear, and nothing more would tell: try the most likely first.',
        });
    }

    /**
     * @return array{array<string, Seen>, array<string, Answer>}
     *
     * @throws InputError
     */
    private function seen(RankInput $in): array
    {
        foreach ($in->defects as $i => $defect) {
            try {
                $this->knowledge->mustHave($defect->id, $in->process, $in->mode);
            } catch (InputError $error) {
                throw $error->under("defects.{$i}");
            }
        }
        $signals = [];
        foreach ($in->signals as $name => $given) {
            try {
                $value = $this->knowledge->value((string) $name, $given);
            } catch (InputError $error) {
                throw $error->under('signals');
            }
            if ($value !== null) {
                $signals[(string) $name] = $value;
            }
        }
        $answers = [];
        foreach ($in->answers as $name => $given) {
            $answer = is_string($given) ? Answer::tryFrom($given) : null;
            if ($answer === null) {
                throw new InputError("answers.{$name}", 'must be one of: yes, no, unknown');
            }
            if ($this->ask($in, (string) $name) === null) {
                throw new InputError(
                    "answers.{$name}",
                    'is no question of these defects: write the cause, a dot and the number of its question',
                );
            }
            $answers[(string) $name] = $answer;
        }

        return [$signals, $answers];
    }

    private function ask(RankInput $in, string $name): ?string
    {
        return $this->knowledge->question(self::ids($in), $in->mode, $name);
    }

    /** @return list<string> of what is seen */
    private static function ids(RankInput $in): array
    {
        return array_map(static fn (SeenDefect $d): string => $d->id, $in->defects);
    }

    /**
     * @param  array<string, Seen>  $signals
     * @param  array<string, Answer>  $answers
     * @return array<string, float> by cause
     */
    private function weights(RankInput $in, array $signals, array $answers): array
    {
        $logs = [];
        $alone = count($in->defects) === 1;
        foreach ($in->defects as $defect) {
            foreach ($this->knowledge->causes($defect->id, $in->mode) as $id => $cause) {
                $odds = $cause['prior'] < 1 ? $cause['prior'] / (1 - $cause['prior']) : 1e9;
                $log = log($odds * $this->ratio($cause, $signals, $answers));
                $logs[$id] = ($logs[$id] ?? 0.0) + ($alone ? 1.0 : $defect->severity->weight()) * $log;
            }
        }

        return array_map(exp(...), $logs);
    }

    /**
     * @param  Cause  $cause
     * @param  array<string, Seen>  $signals
     * @param  array<string, Answer>  $answers
     */
    private function ratio(array $cause, array $signals, array $answers): float
    {
        $groups = [];
        foreach ($cause['evidence'] as $line) {
            if (isset($signals[$line['signal']]) && When::of($line['when'])->holds($signals[$line['signal']])) {
                $groups[$this->knowledge->signals[$line['signal']]['group']][] = log($line['likelihood_ratio']);
            }
        }
        $log = 0.0;
        foreach ($groups as $ratios) {
            usort($ratios, static fn (float $a, float $b): int => abs($b) <=> abs($a));
            $log += $ratios[0] + array_sum(array_slice($ratios, 1)) / 2;
        }
        foreach (array_keys($cause['ask']) as $k) {
            $log += log(($answers["{$cause['id']}.{$k}"] ?? Answer::Unknown)->ratio());
        }

        return max(self::RATIO[0], min(self::RATIO[1], exp($log)));
    }

    /**
     * @param  array<string, Seen>  $signals
     * @param  array<string, Answer>  $answers
     */
    private function cause(RankInput $in, string $id, float $share, array $signals, array $answers): RankedCause
    {
        $for = $against = $explains = [];
        $known = null;
        foreach ($in->defects as $defect) {
            $cause = $this->knowledge->causes($defect->id, $in->mode)[$id] ?? null;
            if ($cause === null) {
                continue;
            }
            $known ??= $cause;
            $explains[] = $defect->id;
            foreach ($cause['evidence'] as $line) {
                if (isset($signals[$line['signal']]) && When::of($line['when'])->holds($signals[$line['signal']])) {
                    $says = new EvidenceLine(
                        $line['signal'],
                        $this->words($line['signal'], $signals[$line['signal']]),
                        $line['likelihood_ratio'],
                    );
                    $line['likelihood_ratio'] >= 1 ? $for[$line['signal']] = $says : $against[$line['signal']] = $says;
                }
            }
            foreach ($cause['ask'] as $k => $ask) {
                $answer = $answers["{$id}.{$k}"] ?? Answer::Unknown;
                if ($answer !== Answer::Unknown) {
                    $says = new EvidenceLine("{$id}.{$k}", "{$ask} {$answer->value}", $answer->ratio());
                    $answer === Answer::Yes ? $for[] = $says : $against[] = $says;
                }
            }
        }
        assert($known !== null);

        return new RankedCause(
            $id,
            $known['name'],
            $known['why'],
            $share,
            array_values($for),
            array_values($against),
            $explains,
        );
    }

    /** @param  Seen  $value */
    private function words(string $signal, float|bool|string|array $value): string
    {
        $known = $this->knowledge->signals[$signal];
        $name = str_replace('_', ' ', $signal);
        $shown = match (true) {
            is_float($value) => rtrim(rtrim(sprintf('%.2f', $value), '0'), '.'),
            is_bool($value) => $value ? 'yes' : 'no',
            is_array($value) => implode(', ', $value),
            default => $value,
        };
        $unit = in_array($known['unit'] ?? '', ['', 'ratio'], true) ? '' : " {$known['unit']}";

        return "{$name}: ".str_replace('_', ' ', $shown).$unit;
    }

    /**
     * What is expected to take most off the doubt, of the questions of the leading causes and of what was not read yet.
     *
     * @param  array<string, float>  $shares  most likely first
     * @param  array<string, Seen>  $signals
     * @param  array<string, Answer>  $answers
     */
    private function question(RankInput $in, array $shares, array $signals, array $answers): ?NextQuestion
    {
        $best = null;
        foreach (array_slice(array_keys($shares), 0, self::LEADING) as $id) {
            for ($k = 0; ($ask = $this->ask($in, "{$id}.{$k}")) !== null; $k++) {
                if (! isset($answers["{$id}.{$k}"])) {
                    $bits = self::bits($shares, array_map(
                        static fn (Answer $a): array => array_map(
                            static fn (string $of): float => $a->likelihood()[$of === (string) $id ? 0 : 1],
                            array_combine(array_keys($shares), array_map(strval(...), array_keys($shares))),
                        ),
                        [Answer::Yes, Answer::No],
                    ));
                    $best = $best === null || $bits > $best->bits
                        ? new NextQuestion("{$id}.{$k}", 'ask', $ask, ['yes', 'no', 'unknown'], $bits)
                        : $best;
                }
            }
        }
        foreach ($this->unread($in, $signals) as $signal) {
            $known = $this->knowledge->signals[$signal];
            $bits = self::bits($shares, $this->outcomes($in, $signal, array_keys($shares)));
            if ($best === null || $bits > $best->bits) {
                $best = new NextQuestion(
                    $signal,
                    'read',
                    $known['ask'] ?? $known['meaning'],
                    $known['values'] ?? ($known['kind'] === 'bool' ? ['true', 'false'] : []),
                    $bits,
                );
            }
        }

        return $best !== null && $best->bits >= self::WORTH_BITS ? $best : null;
    }

    /**
     * @param  array<string, Seen>  $signals
     * @return list<string>
     */
    private function unread(RankInput $in, array $signals): array
    {
        $unread = [];
        foreach ($in->defects as $defect) {
            foreach ($this->knowledge->causes($defect->id, $in->mode) as $cause) {
                foreach ($cause['evidence'] as $line) {
                    if (! isset($signals[$line['signal']]) && ! in_array($line['signal'], $in->unreadable, true)) {
                        $unread[$line['signal']] = true;
                    }
                }
            }
        }

        return array_keys($unread);
    }

    /**
     * How likely each value of a signal is under each cause: as its ratios say, every value alike where they say
     * nothing.
     *
     * @param  list<string>  $causes
     * @return list<array<string, float>>
     */
    private function outcomes(RankInput $in, string $signal, array $causes): array
    {
        $lines = [];
        foreach ($in->defects as $defect) {
            foreach ($this->knowledge->causes($defect->id, $in->mode) as $id => $cause) {
                foreach ($cause['evidence'] as $line) {
                    if ($line['signal'] === $signal) {
                        $lines[$id][] = [When::of($line['when']), $line['likelihood_ratio']];
                    }
                }
            }
        }
        $known = $this->knowledge->signals[$signal];
        $values = match ($known['kind']) {
            'number' => self::between(
                $this->knowledge->edges(self::ids($in), $in->mode, $signal),
                $known['range'] ?? [0, 1],
            ),
            'bool' => [true, false],
            default => $known['values'] ?? [],
        };
        $ratios = [];
        foreach ($causes as $id) {
            $of = [];
            foreach ($values as $value) {
                $ratio = 1.0;
                foreach ($lines[$id] ?? [] as [$when, $times]) {
                    $ratio *= $when->holds($value) ? $times : 1.0;
                }
                $of[] = $ratio;
            }
            $ratios[$id] = array_map(static fn (float $r): float => $r / array_sum($of), $of);
        }

        return array_map(
            static fn (int $i): array => array_map(static fn (array $of): float => $of[$i], $ratios),
            range(0, count($values) - 1),
        );
    }

    /**
     * One number in each stretch between the edges.
     *
     * @param  list<float>  $edges
     * @param  array{0: float|int, 1: float|int}  $range
     * @return list<float>
     */
    private static function between(array $edges, array $range): array
    {
        $all = [
            (float) $range[0],
            ...array_filter($edges, static fn (float $e): bool => $e > $range[0] && $e < $range[1]),
            (float) $range[1],
        ];
        sort($all);
        $values = [];
        for ($i = 1; $i < count($all); $i++) {
            $values[] = ($all[$i - 1] + $all[$i]) / 2;
        }

        return $values;
    }

    /**
     * Expected fall of Shannon's entropy over the outcomes of a question.
     *
     * @param  array<string, float>  $shares
     * @param  list<array<string, float>>  $outcomes  likelihood under each cause
     */
    private static function bits(array $shares, array $outcomes): float
    {
        $after = 0.0;
        foreach ($outcomes as $likelihood) {
            $joint = [];
            foreach ($shares as $id => $share) {
                $joint[$id] = $share * $likelihood[$id];
            }
            $chance = array_sum($joint);
            if ($chance > 0) {
                $after += $chance * self::entropy(array_map(static fn (float $j): float => $j / $chance, $joint));
            }
        }

        return max(0.0, self::entropy($shares) - $after);
    }

    /** @param  array<string, float>  $shares */
    private static function entropy(array $shares): float
    {
        $bits = 0.0;
        foreach ($shares as $share) {
            $bits -= $share > 0 ? $share * log($share, 2) : 0.0;
        }

        return $bits;
    }

    /**
     * The cheapest remedy of the leading cause that is not at its limit, was not tried in vain and fits the machine.
     *
     * @return array{NextChange|null, list<string>} and why others were passed over
     */
    private function change(RankInput $in, RankedCause $cause): array
    {
        $known = array_column($in->known, null, 'parameter');
        $passed = [];
        foreach ($this->remedies($in, $cause->id) as $remedy) {
            $name = $this->knowledge->parameters[$remedy['parameter']]['name'] ?? $remedy['parameter'];
            $only = $this->knowledge->parameters[$remedy['parameter']]['only_on'] ?? null;
            $fits = $only === null || $only === $in->mode || (
                $only === 'screw machine' && in_array($in->machine_kind, [null, 'screw'], true)
            ) || ($only === 'two_stage' && $in->mode === null);
            $state = $known[$remedy['parameter']] ?? null;
            $change = $this->proposal($in, $cause, $remedy, $state instanceof Known ? $state : null, $name);
            $reason = match (true) {
                ! $fits => 'this machine has none',
                $change === null => 'it is at its limit',
                $this->failedBefore($in, $change) => 'it was tried and did not help',
                default => null,
            };
            if ($reason === null) {
                return [$change, $passed];
            }
            $passed[] = "{$name} is passed over: {$reason}.";
        }

        return [null, $passed];
    }

    /** @return list<Remedy> */
    private function remedies(RankInput $in, string $cause): array
    {
        foreach ($in->defects as $defect) {
            $known = $this->knowledge->causes($defect->id, $in->mode)[$cause] ?? null;
            if ($known !== null) {
                return $known['remedies'];
            }
        }

        return [];
    }

    /** @param  Remedy  $remedy */
    private function proposal(
        RankInput $in,
        RankedCause $cause,
        array $remedy,
        ?Known $state,
        string $name,
    ): ?NextChange {
        $from = $state?->now;
        foreach ($in->history as $before) {
            $from = $before->parameter === $remedy['parameter'] && $before->to !== null ? $before->to : $from;
        }
        $step = $remedy['step'] === null ? null : (float) $remedy['step'];
        $sign = ['+' => 1, '-' => -1][$remedy['change']] ?? 0;
        $moved = $remedy['unit'] === '%' && $from !== null ? $from * $step / 100 : $step;
        $to = match (true) {
            $remedy['change'] === 'do' => null,
            $sign === 0 => $step,
            $from === null => null,
            default => $from + $sign * $moved,
        };
        $limit = $sign > 0 ? $state?->max : ($sign < 0 ? $state?->min : null);
        if ($to !== null && $limit !== null && $sign * ($to - $limit) > 1e-9) {
            // The last of the way may be less than a step.
            $to = $limit;
        }
        if ($from !== null && $to !== null && $sign !== 0 && abs($to - $from) < 1e-9) {
            return null;
        }

        return new NextChange(
            $remedy['parameter'],
            $name,
            ['+' => 'raise', '-' => 'lower', 'set' => 'set', 'do' => 'do'][$remedy['change']],
            $from, $to, $step, $remedy['unit'], $remedy['limit'], $limit, $remedy['effort'],
            sprintf('%s is most likely (%.0f %%): %s', $cause->name, 100 * $cause->probability, lcfirst($cause->why)),
            $remedy['note'],
        );
    }

    /** The same change in the same direction that did not work. */
    private function failedBefore(RankInput $in, NextChange $change): bool
    {
        foreach ($in->history as $before) {
            if ($before->parameter !== $change->parameter || $before->worked !== false) {
                continue;
            }
            $went = $before->from === null || $before->to === null ? 0 : $before->to <=> $before->from;
            if ($went === 0 || $went === (['raise' => 1, 'lower' => -1][$change->change] ?? $went)) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param  array<string, Seen>  $signals
     * @return list<string>
     */
    private function cautions(RankInput $in, ?NextChange $change, array $signals): array
    {
        $ids = [];
        $events = (array) ($signals['machine_event'] ?? []);
        if (in_array('leak_seen', $events, true)) {
            $ids[] = 'hot_melt_pressure';
        }
        if (($signals['mould_condition'] ?? null) === 'cracked') {
            $ids[] = 'printed_mould_burst';
        }
        foreach ($in->defects as $defect) {
            array_push($ids, ...($this->knowledge->defects[$defect->id]['cautions'] ?? []));
            foreach ($this->knowledge->causes($defect->id, $in->mode) as $cause) {
                foreach ($cause['remedies'] as $remedy) {
                    if ($remedy['parameter'] === $change?->parameter) {
                        array_push($ids, ...($remedy['cautions'] ?? []));
                    }
                }
            }
        }

        return array_map(
            fn (string $id): string => $this->knowledge->cautions[$id] ?? $id,
            array_values(array_unique($ids)),
        );
    }

    /**
     * Two defects whose likely causes want one setting to go both ways: shown, never averaged.
     *
     * @param  list<RankedCause>  $causes
     * @return list<string>
     */
    private function conflicts(RankInput $in, array $causes): array
    {
        if (count($in->defects) < 2) {
            return [];
        }
        $ways = [];
        foreach ($in->defects as $defect) {
            $own = array_values(array_filter(
                $causes,
                static fn (RankedCause $c): bool => in_array($defect->id, $c->defects, true),
            ))[0] ?? null;
            foreach ($own === null ? [] : $this->remedies($in, $own->id) as $remedy) {
                if ($remedy['change'] === '+' || $remedy['change'] === '-') {
                    $ways[$remedy['parameter']][$remedy['change']] = $this->knowledge->defects[$defect->id]['name'];
                }
            }
        }
        $says = [];
        foreach ($ways as $parameter => $way) {
            if (isset($way['+'], $way['-'])) {
                $name = $this->knowledge->parameters[$parameter]['name'] ?? $parameter;
                $says[] = "{$name}: \"{$way['+']}\" wants it higher, \"{$way['-']}\" wants it lower. Settle the worse one first.";
            }
        }

        return $says;
    }
}
