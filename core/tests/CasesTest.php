<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Registry;

/** Worked cases made by an independent program; every one whose calculation is built must pass. */
function workedCases(): Generator
{
    $registry = new Registry;
    foreach (glob(__DIR__.'/cases/*.json') ?: [] as $file) {
        foreach (json_decode((string) file_get_contents($file), true) as $case) {
            if ($registry->has($case['calc'])) {
                yield "{$case['calc']}: {$case['name']}" => [$case];
            }
        }
    }
}

function dig(mixed $document, string $path): mixed
{
    foreach (explode('.', $path) as $part) {
        if (! is_array($document) || ! array_key_exists($part, $document)) {
            return null;
        }
        $document = $document[$part];
    }

    return $document;
}

function holds(mixed $got, array $check): bool
{
    return match (true) {
        array_key_exists('equals', $check) => is_int($check['equals']) || is_float($check['equals'])
            ? $got == $check['equals']
            : $got === $check['equals'],
        isset($check['absent_or_null']) => $got === null,
        isset($check['length']) => is_array($got) && count($got) === $check['length'],
        isset($check['legal_layout']) => is_array($got),
        isset($check['between']) => is_numeric($got) && $got >= $check['between'][0] && $got <= $check['between'][1],
        default => is_numeric($got) && abs($got - $check['value']) <= (
            $check['abs'] ?? abs($check['value']) * $check['rel']
        ) + 1e-12 * abs($check['value']),
    };
}

it('agrees with the worked case', function (array $case): void {
    $registry = new Registry;
    if (isset($case['error_field'])) {
        try {
            $registry->run($case['calc'], $case['input']);
            $this->fail('was not refused');
        } catch (InputError $error) {
            expect($error->field)->toBeIn((array) $case['error_field'])->and($error->getMessage())->not->toBeEmpty();
        }

        return;
    }
    $answer = json_decode((string) json_encode($registry->run($case['calc'], $case['input'])), true);
    foreach ($case['expect'] as $path => $check) {
        $got = dig($answer, $path);
        expect(holds($got, $check))->toBeTrue("{$path}: got ".json_encode($got).', expected '.json_encode($check));
    }
})->with(workedCases(...));
