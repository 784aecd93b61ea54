<?php

declare(strict_types=1);

namespace Dithermic\Core\Diagnosis;

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Safety\Process;

/**
 * What is known of defects: data/defects.json, with its signals, causes, remedies, cautions and the names of settings.
 */
final class Knowledge
{
    /** @var array<string, array<string, mixed>> by id */
    public readonly array $defects;

    /** @var array<string, array<string, mixed>> by id */
    public readonly array $signals;

    /** @var array<string, string> by id */
    public readonly array $cautions;

    /** @var array<string, array{name: string, only_on?: string}> by id */
    public readonly array $parameters;

    /** @var array<string, array<string, array<string, mixed>>> causes by defect and mode, once they were asked for */
    private array $counted = [];

    public function __construct()
    {
        $data = json_decode(
            (string) file_get_contents(__DIR__.'/../../data/defects.json'),
            true,
            flags: JSON_THROW_ON_ERROR,
        );
        $this->defects = array_column($data['defects'], null, 'id');
        $this->signals = array_column($data['signals'], null, 'id');
        $this->cautions = $data['cautions'];
        $this->parameters = $data['parameters'];
    }

    /**
     * The causes of a defect that count in a mode, their priors summing to 1.
     *
     * @return array<string, array<string, mixed>> by id
     */
    public function causes(string $defect, ?string $mode): array
    {
        return $this->counted["{$defect} {$mode}"] ??= $this->count($defect, $mode);
    }

    /** @return array<string, array<string, mixed>> */
    private function count(string $defect, ?string $mode): array
    {
        $counts = static fn (array $of): bool => $mode === null || ! isset($of['modes']) || in_array(
            $mode,
            $of['modes'],
            true,
        );
        $causes = array_filter($this->defects[$defect]['causes'], $counts);
        $sum = array_sum(array_column($causes, 'prior'));

        return array_map(
            static fn (array $cause): array => ['prior' => $cause['prior'] / $sum] + $cause,
            array_column($causes, null, 'id'),
        );
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
     * @return mixed the value as conditions read it; null when it was not seen
     *
     * @throws InputError the signal
     */
    public function value(string $signal, mixed $given): mixed
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
        foreach ($values as $value) {
            if (! is_string($value) || ! in_array($value, $known['values'], true)) {
                throw new InputError($signal, 'must be one of: '.implode(', ', $known['values']));
            }
        }

        return count($values) === 1 ? $values[0] : $values;
    }
}
