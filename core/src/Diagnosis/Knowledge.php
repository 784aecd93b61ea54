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

    public function __construct()
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

    /** @return array<string, Cause> */
    private function count(string $defect, ?string $mode): array
    {
        $causes = [];
        foreach ($this->defects[$defect]['causes'] as $cause) {
            if ($mode === null || in_array($mode, $cause['modes'] ?? [$mode], true)) {
                $causes[$cause['id']] = $cause;
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
