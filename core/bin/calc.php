<?php

declare(strict_types=1);

// The command-line door: `dithermic calc NAME < input.json`. Needs no database, no server and no vendor folder.

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Registry;

require __DIR__.'/../autoload.php';

const FLAGS = JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION;
const LINE = JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION | JSON_INVALID_UTF8_SUBSTITUTE;
ini_set('serialize_precision', '12');

$registry = new Registry;
$arguments = array_slice($argv, 1);
$name = $arguments[0] ?? '--list';

if ($name === '--list') {
    foreach ($registry->list() as $known => $purpose) {
        printf("%-26s %s\n", $known, $purpose);
    }
    exit(0);
}

if (in_array('--batch', $arguments, true)) {
    // JSON Lines in, JSON Lines out, in order: {"calc": NAME, "input": {...}}, or the input alone when a NAME is given.
    $fixed = $name === '--batch' ? null : $name;
    while (($line = fgets(STDIN)) !== false) {
        if (trim($line) === '') {
            continue;
        }
        try {
            $asked = json_decode($line, true, 64);
            if (! is_array($asked)) {
                throw new InputError('', 'the line is not a JSON object');
            }
            $called = $fixed ?? $asked['calc'] ?? '';
            $answer = [
                'result' => $registry->run(
                    is_string($called) ? $called : '',
                    $fixed === null ? ($asked['input'] ?? null) : $asked,
                ),
            ];
            $written = json_encode($answer, LINE | JSON_THROW_ON_ERROR);
        } catch (InputError $error) {
            $written = json_encode($error->toArray(), LINE);
        } catch (Throwable $fault) {
            // One line's fault is that line's answer: the others still want theirs.
            $written = json_encode(
                ['error' => ['field' => '', 'message' => 'could not be answered: '.$fault->getMessage()]],
                LINE,
            );
        }
        echo $written, "\n";
    }
    exit(0);
}

try {
    if (in_array('--schema', $arguments, true)) {
        echo json_encode($registry->schema($name), FLAGS), "\n";
        exit(0);
    }
    if (! $registry->has($name)) {
        throw new InputError('name', "there is no calculation \"{$name}\"; `dithermic calc --list` names them all");
    }
    $text = stream_get_contents(STDIN, 4 << 20);
    $input = json_decode((string) $text, true, 64);
    if (json_last_error() !== JSON_ERROR_NONE) {
        throw new InputError('', 'the input is not JSON: '.json_last_error_msg());
    }
    echo json_encode($registry->run($name, $input), FLAGS | JSON_THROW_ON_ERROR), "\n";
} catch (InputError $error) {
    fwrite(STDERR, json_encode($error->toArray(), FLAGS)."\n");
    exit(2);
}
