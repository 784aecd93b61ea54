<?php

declare(strict_types=1);

namespace Dithermic\Core\Mesh;

use Dithermic\Core\Calculator\InputError;
use Generator;

/**
 * The facets of a binary or ASCII STL file, one after the other; the file is never held in memory.
 *
 * Binary: 80 bytes of header, the number of facets (uint32, little endian), then 50 bytes a facet: normal and three
 * vertices as float32 and two bytes that mean nothing. ASCII: "solid", "facet normal", "outer loop", three "vertex",
 * "endloop", "endfacet", "endsolid". A binary file may begin with "solid" too, so its length decides.
 */
final readonly class StlFile
{
    public const MAX_BYTES = 200_000_000;

    private function __construct(private string $path, private bool $binary)
    {
    }

    /** @throws InputError file: not STL, cut short, empty or too large */
    public static function open(string $path): self
    {
        $bytes = (int) filesize($path);
        if ($bytes > self::MAX_BYTES) {
            throw new InputError(
                'file',
                sprintf('has %.0f MB; at most %d MB are read', $bytes / 1e6, self::MAX_BYTES / 1e6),
            );
        }
        $head = (string) file_get_contents($path, length: 84);
        $count = strlen($head) === 84 ? unpack('V', $head, 80) : false;
        $says = $count === false ? 0 : (int) $count[1];
        if ($says > 0 && $bytes === 84 + 50 * $says) {
            return new self($path, true);
        }
        if (preg_match('/^\s*solid\b/i', $head) === 1) {
            return new self($path, false);
        }
        if (strlen($head) < 84) {
            throw new InputError('file', "is not STL: {$bytes} bytes are less than the header of one");
        }
        if ($says === 0) {
            throw new InputError('file', 'is not STL, or has no facets: byte 80 says 0 facets');
        }
        throw new InputError('file', $bytes < 84 + 50 * $says
            ? sprintf(
                'is not STL, or is cut short: it says %s facets and ends within facet %s',
                number_format($says, thousands_separator: ' '),
                number_format(intdiv($bytes - 84, 50) + 1, thousands_separator: ' '),
            )
            : sprintf(
                'is not STL: it says %s facets and goes on for %s bytes after them',
                number_format($says, thousands_separator: ' '),
                number_format($bytes - 84 - 50 * $says, thousands_separator: ' '),
            ));
    }

    /**
     * @return Generator<int, array<int, float>> the nine coordinates of a facet, at the keys 1 to 9
     *
     * @throws InputError file, saying the facet or the line at fault
     */
    public function facets(): Generator
    {
        return $this->binary ? $this->fromBinary() : $this->fromText();
    }

    /** @return Generator<int, array<int, float>> */
    private function fromBinary(): Generator
    {
        $file = fopen($this->path, 'rb');
        assert($file !== false);
        fseek($file, 84);
        $index = 0;
        while (($block = (string) fread($file, 50 * 4096)) !== '') {
            for ($at = 12, $end = strlen($block); $at < $end; $at += 50, $index++) {
                /** @var array<int, float> $facet */
                $facet = unpack('g9', $block, $at);
                // Any number that is not finite makes the sum so; finite float32 cannot overflow it.
                if (
                    ! is_finite(
                        $facet[1] + $facet[2] + $facet[3] + $facet[4] + $facet[5] + $facet[6] + $facet[7] + $facet[8] + $facet[9],
                    )
                ) {
                    throw new InputError('file', 'facet '.($index + 1).' holds something that is not a number');
                }
                yield $facet;
            }
        }
        fclose($file);
    }

    /** @return Generator<int, array<int, float>> */
    private function fromText(): Generator
    {
        $file = fopen($this->path, 'rb');
        assert($file !== false);
        // What may stand where: after each word, the words that may follow.
        $next = [
            '' => ['solid'],
            'solid' => ['facet', 'endsolid'],
            'facet' => ['outer'],
            'outer' => ['vertex'],
            'vertex' => ['vertex', 'endloop'],
            'endloop' => ['endfacet'],
            'endfacet' => ['facet', 'endsolid'],
            'endsolid' => ['solid'],
        ];
        $last = '';
        $corners = 0;
        $facet = [];
        for ($line = 1; ($text = fgets($file, 4096)) !== false; $line++) {
            $words = preg_split('/\s+/', $text, -1, PREG_SPLIT_NO_EMPTY);
            if ($words === [] || $words === false) {
                continue;
            }
            $word = strtolower($words[0]);
            if (
                ! in_array($word, $next[$last], true)
                || ($word === 'vertex' && $corners === 3)
                || ($word === 'endloop' && $corners !== 3)
            ) {
                throw new InputError(
                    'file',
                    sprintf(
                        'line %d is not STL: %s stood to come, not "%s"',
                        $line,
                        $word === 'endloop' ? 'a third vertex' : implode(' or ', $next[$last]),
                        mb_strimwidth(mb_scrub($words[0]), 0, 20, '…'),
                    ),
                );
            }
            if ($word === 'outer') {
                $corners = 0;
            } elseif ($word === 'vertex') {
                $corners++;
                for ($axis = 1; $axis <= 3; $axis++) {
                    $number = $words[$axis] ?? '';
                    if (! is_numeric($number) || ! is_finite((float) $number) || abs((float) $number) > 3.5e38) {
                        throw new InputError('file', "line {$line}: a vertex needs three numbers");
                    }
                    $facet[3 * $corners - 3 + $axis] = (float) $number;
                }
            } elseif ($word === 'endfacet') {
                yield $facet;
            }
            $last = $word;
        }
        fclose($file);
        if ($last !== 'endsolid') {
            throw new InputError('file', "is cut short: it ends at line {$line} before \"endsolid\"");
        }
    }
}
