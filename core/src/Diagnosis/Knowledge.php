<?php

declare(strict_types=1);

namespace Dithermic\Core\Diagnosis;

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Data\Record;
use Dithermic\Core\Safety\Process;

/**
 * What is known of defects: data/defects.json, with its signals, causes, remedies, cautions and the names of settings.
 *
 * @phpstan-type Evidence array{signal: string, when: string, likelihood_ratio: float}
 * @phpstan-type Remedy array{parameter: string, change: '+'|'-'|'set'|'do', step: float|int|null, unit: string,
 *     limit: string, effort: string, note: string, cautions?: list<string>}
 * @phpstan-type Cause array{id: string, name: string, why: string, prior: float, evidence: list<Evidence>,
 *     ask: list<string>, remedies: list<Remedy>, modes?: list<string>}
 * @phpstan-type Defect array{id: string, name: string, process: list<string>, causes: list<Cause>,
 *     modes?: list<string>, cautions?: list<string>}
 * @phpstan-type Signal array{id: string, kind: string, meaning: string, group: string, unit?: string,
 *     range?: array{float|int, float|int}, values?: list<string>, ask?: string, multi?: bool}
 * @phpstan-type Seen float|bool|string|list<string>
 */
final class Knowledge
{
    /** @var array<string, Defect> by id */
    public readonly array $defects;

    /** @var array<string, Signal> by id */
    public readonly array $signals;

    /** @var array<string, string> by id */
    public readonly array $cautions;

    /** @var array<string, array{name: string, only_on?: string}> by id */
    public readonly array $parameters;

    /** @var array<string, array<string, Cause>> causes by defect and mode, once they were asked for */
    private array $counted = [];

    /** @param  Outcomes|null  $outcomes  of this shop, that go before the priors that ship */
    public function __construct(private readonly ?Outcomes $outcomes = null)
    {
        /**
         * core/data/defects.schema.json and a test hold the file to this.
         *
         * @var array{defects: list<Defect>, signals: list<Signal>, cautions: array<string, string>,
         *     parameters: array<string, array{name: string, only_on?: string}>} $data
         */
        $data = Record::file(__DIR__.'/../../data/defects.json')->of;
        $this->defects = array_column($data['defects'], null, 'id');
        $this->signals = array_column($data['signals'], null, 'id');
        $this->cautions = $data['cautions'];
        $this->parameters = $data['parameters'];
    }

    /**
     * The causes of a defect that count in a mode, their priors summing to 1.
     *
     * @return array<string, Cause> by id
     */
    public function causes(string $defect, ?string $mode): array
    {
        return $this->counted["{$defect} {$mode}"] ??= $this->count($defect, $mode);
    }

    /**
     * The words of a question; null where it is none of these defects.
     *
     * @param  list<string>  $defects
     * @param  string  $name  the cause, a dot and the number of its question
     */
    public function question(array $defects, ?string $mode, string $name): ?string
    {
        [$cause, $k] = [...explode('.', $name, 2), ''];
        foreach ($defects as $defect) {
            $ask = $this->causes($defect, $mode)[$cause]['ask'][(int) $k] ?? null;
            if ($ask !== null && ctype_digit($k)) {
                return $ask;
            }
        }

        return null;
    }

    /**
     * The stretches of a number between which the evidence on these defects makes a difference.
     *
     * @param  list<string>  $defects
     * @return list<Band> lowest first; empty where it is no number, or makes none
     */
    public function bands(array $defects, ?string $mode, string $signal): array
    {
        $known = $this->signals[$signal] ?? null;
        $edges = $this->edges($defects, $mode, $signal);
        if ($known === null || $known['kind'] !== 'number' || $edges === []) {
            return [];
        }
        [$least, $most] = $known['range'] ?? [0, 1];
        $unit = in_array($known['unit'] ?? '', ['', 'ratio', 'count', 'passes'], true) ? '' : " {$known['unit']}";
        $last = count($edges) - 1;
        $bands = [new Band("under {$edges[0]}{$unit}", (min((float) $least, $edges[0] - 1) + $edges[0]) / 2)];
        for ($i = 1; $i <= $last; $i++) {
            $bands[] = new Band("{$edges[$i - 1]} to {$edges[$i]}{$unit}", ($edges[$i - 1] + $edges[$i]) / 2);
        }
        $bands[] = new Band("over {$edges[$last]}{$unit}", (max((float) $most, $edges[$last] + 1) + $edges[$last]) / 2);

        return $bands;
    }

    /**
     * Where a number passes from one piece of evidence to another.
     *
     * @param  list<string>  $defects
     * @return list<float> lowest first, each once
     */
    public function edges(array $defects, ?string $mode, string $signal): array
    {
        $edges = [];
        foreach ($defects as $defect) {
            foreach ($this->causes($defect, $mode) as $cause) {
                foreach ($cause['evidence'] as $line) {
                    if ($line['signal'] === $signal) {
                        array_push($edges, ...When::of($line['when'])->edges());
                    }
                }
            }
        }
        sort($edges);

        return array_values(array_unique($edges));
    }

    /** @return array<string, Cause> */
    private function count(string $defect, ?string $mode): array
    {
        $causes = [];
        foreach ($this->defects[$defect]['causes'] as $cause) {
            if ($mode === null || in_array($mode, $cause['modes'] ?? [$mode], true)) {
                $causes[$cause['id']] = $cause;
            }
        }
        if ($this->outcomes !== null) {
            foreach ($causes as $id => $cause) {
                $causes[$id]['prior'] = $this->outcomes->prior($defect, $id, $cause['prior']);
            }
        }
        $sum = array_sum(array_column($causes, 'prior'));
        foreach ($causes as $id => $cause) {
            $causes[$id]['prior'] = $cause['prior'] / $sum;
        }

        return $causes;
    }

    /** @throws InputError id, when this process has no such defect */
    public function mustHave(string $defect, Process $process, ?string $mode): void
    {
        $known = $this->defects[$defect] ?? throw new InputError('id', "\"{$defect}\" is no defect that is known here");
        if (! in_array($process->value, $known['process'], true)) {
            throw new InputError('id', "\"{$known['name']}\" is a defect of ".implode(' and ', $known['process']));
        }
        if ($mode !== null && isset($known['modes']) && ! in_array($mode, $known['modes'], true)) {
            throw new InputError('id', "\"{$known['name']}\" does not happen in {$mode}");
        }
    }

    /**
     * @return Seen|null the value as conditions read it; null when it was not seen
     *
     * @throws InputError the signal
     */
    public function value(string $signal, mixed $given): float|bool|string|array|null
    {
        $known = $this->signals[$signal] ?? throw new InputError($signal, 'is no signal that is known here');
        if ($given === null) {
            return null;
        }
        if ($known['kind'] === 'number') {
            return (is_int($given) || is_float($given)) && is_finite((float) $given)
                ? (float) $given
                : throw new InputError($signal, 'must be a number');
        }
        if ($known['kind'] === 'bool') {
            return is_bool($given) ? $given : throw new InputError($signal, 'must be true or false');
        }
        $values = is_array($given) && ($known['multi'] ?? false) ? array_values($given) : [$given];
        $seen = [];
        foreach ($values as $value) {
            if (! is_string($value) || ! in_array($value, $known['values'] ?? [], true)) {
                throw new InputError($signal, 'must be one of: '.implode(', ', $known['values'] ?? []));
            }
            $seen[] = $value;
        }

        return count($seen) === 1 ? $seen[0] : $seen;
    }
}
