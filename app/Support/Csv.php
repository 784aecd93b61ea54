<?php

declare(strict_types=1);

namespace App\Support;

use Dithermic\Core\Calculator\InputError;

/**
 * Comma-separated values as spreadsheets write them: UTF-8 with or without a byte-order mark, comma, semicolon or tab,
 * decimal point or comma. Hostile until parsed. What goes out cannot run as a formula.
 */
final class Csv
{
    public const MAX_BYTES = 5_000_000;

    public const MAX_ROWS = 20_000;

    private const MAX_COLUMNS = 60;

    /**
     * @param  list<string>  $needed
     * @return list<array<string, string>> rows by column name; row 1 of the file is the header
     */
    public static function read(string $text, array $needed): array
    {
        if (strlen($text) > self::MAX_BYTES) {
            throw new InputError('file', 'is larger than 5 MB: send it in parts');
        }
        $text = str_starts_with($text, "\xEF\xBB\xBF") ? substr($text, 3) : $text;
        if (! mb_check_encoding($text, 'UTF-8')) {
            throw new InputError('file', 'is not UTF-8: save it from the spreadsheet as "CSV UTF-8"');
        }
        $first = (string) strtok($text, "\r\n");
        $counts = array_map(
            static fn (string $d): int => substr_count($first, $d),
            [',' => ',', ';' => ';', "\t" => "\t"],
        );
        arsort($counts);
        $delimiter = (string) array_key_first($counts);
        $stream = fopen('php://temp', 'r+b');
        assert($stream !== false);
        fwrite($stream, $text);
        rewind($stream);
        $header = array_map(
            static fn (?string $h): string => mb_strtolower(trim((string) $h)),
            fgetcsv($stream, null, $delimiter, '"', '') ?: [],
        );
        if (count($header) > self::MAX_COLUMNS || count($header) !== count(array_unique($header))) {
            throw new InputError(
                'file',
                count($header) > self::MAX_COLUMNS
                    ? 'has more than '.self::MAX_COLUMNS.' columns: send only those of docs/formats'
                    : 'names a column twice',
            );
        }
        $missing = array_diff($needed, $header);
        if ($missing !== []) {
            throw new InputError('file', 'has no column '.implode(', ', $missing).'; it has: '.implode(', ', $header));
        }
        $rows = [];
        while (($cells = fgetcsv($stream, null, $delimiter, '"', '')) !== false) {
            if ($cells === [null]) {
                continue;
            }
            if (count($rows) >= self::MAX_ROWS) {
                throw new InputError('file', 'has more than '.self::MAX_ROWS.' rows: send it in parts');
            }
            $row = [];
            foreach ($header as $i => $name) {
                $cell = trim((string) ($cells[$i] ?? ''));
                $row[$name] = preg_match("/^'[=+\\-@]/", $cell) === 1 ? substr($cell, 1) : $cell;
            }
            $rows[] = $row;
        }
        fclose($stream);

        return $rows;
    }

    /** A number with a decimal point or comma; null when it is not one. */
    public static function number(string $cell): ?float
    {
        $plain = str_replace(["\u{00A0}", "\u{202F}", ' '], '', $cell);
        if (preg_match('/^[+-]?\d{1,3}(\.\d{3})+,\d+$/', $plain) === 1) {
            $plain = str_replace('.', '', $plain);
        }

        return preg_match('/^[+-]?\d+([.,]\d+)?$/', $plain) === 1 ? (float) str_replace(',', '.', $plain) : null;
    }

    /**
     * @param  list<string>  $header
     * @param  iterable<list<string|float|int|null>>  $rows
     */
    public static function write(array $header, iterable $rows): string
    {
        $stream = fopen('php://temp', 'r+b');
        assert($stream !== false);
        fwrite($stream, "\xEF\xBB\xBF");
        fputcsv($stream, $header, ',', '"', '', "\r\n");
        foreach ($rows as $row) {
            fputcsv($stream, array_map(self::harmless(...), $row), ',', '"', '', "\r\n");
        }
        rewind($stream);

        return (string) stream_get_contents($stream);
    }

    /** A spreadsheet runs what begins like a formula: an apostrophe before it keeps it text. */
    private static function harmless(string|float|int|null $cell): string
    {
        $text = (string) $cell;

        return is_string($cell) && preg_match(
            '/(^|[;,\t|])\s*[=+\-@]|^[\t\r]/',
            $text,
        ) === 1 && self::number($text) === null
            ? "'".$text
            : $text;
    }
}
