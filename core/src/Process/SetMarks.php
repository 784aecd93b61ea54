<?php

declare(strict_types=1);

namespace Dithermic\Core\Process;

use Dithermic\Core\Calculator\InputError;

/**
 * A set-point in a machine's own marks, where it has no display in degrees: what its dial, its notches or its elements
 * were found to be worth, said as "dial 4 = 190, dial 5 = 205". Between two numbered marks of one name it is read as
 * even.
 */
final readonly class SetMarks
{
    public const SAYS = 'its own marks, each with what it is in °C, as "dial 4 = 190, dial 5 = 205"';

    private const LONGEST = 300;

    private const MOST = 20;

    /** nobody sets a dial nearer, K */
    private const NEAR_K = 1.0;

    /** @param  non-empty-list<array{mark: string, c: float}>  $marks  from the coldest */
    private function __construct(private array $marks)
    {
    }

    /**
     * Of a machine that has none, or has readable ones.
     *
     * @throws InputError naming set_marks
     */
    public static function mustBe(?string $said): void
    {
        if ($said !== null) {
            self::of($said);
        }
    }

    /** @throws InputError naming set_marks */
    public static function of(string $said): self
    {
        $marks = [];
        foreach (preg_split('/[,;\n]/', mb_substr($said, 0, self::LONGEST + 1)) ?: [] as $one) {
            if (trim($one) === '') {
                continue;
            }
            if (preg_match('/^\s*([^=]{1,30}?)\s*=\s*(-?\d{1,4}(?:\.\d{1,2})?)\s*$/u', $one, $found) !== 1) {
                throw self::wrong(
                    'is written as "dial 4 = 190, dial 5 = 205": what it shows, what it is in °C, a comma',
                );
            }
            $marks[] = ['mark' => $found[1], 'c' => (float) $found[2]];
        }
        if (mb_strlen($said) > self::LONGEST || count($marks) > self::MOST) {
            throw self::wrong('is too long: '.self::MOST.' marks are enough');
        }
        if ($marks === []) {
            throw self::wrong('has no mark in it');
        }
        usort($marks, static fn (array $a, array $b): int => $a['c'] <=> $b['c']);
        foreach ($marks as $i => $mark) {
            if ($i > 0 && $mark['c'] === $marks[$i - 1]['c']) {
                throw self::wrong(sprintf('has two marks for %g °C: one of them was measured wrongly', $mark['c']));
            }
        }

        return new self($marks);
    }

    /** What is set for so many degrees, in words. */
    public function at(float $c): string
    {
        $last = count($this->marks) - 1;
        foreach ($this->marks as $mark) {
            if (abs($mark['c'] - $c) <= self::NEAR_K) {
                return $mark['mark'];
            }
        }
        if ($c < $this->marks[0]['c']) {
            return "under {$this->marks[0]['mark']}";
        }
        if ($c > $this->marks[$last]['c']) {
            return "over {$this->marks[$last]['mark']}";
        }
        $i = 0;
        while ($this->marks[$i + 1]['c'] < $c) {
            $i++;
        }
        [$low, $high] = [$this->marks[$i], $this->marks[$i + 1]];
        [$a, $b] = [self::numbered($low['mark']), self::numbered($high['mark'])];
        if ($a === null || $b === null || $a[0] !== $b[0]) {
            return "between {$low['mark']} and {$high['mark']}";
        }
        $share = ($c - $low['c']) / ($high['c'] - $low['c']);

        return $a[0].round($a[1] + $share * ($b[1] - $a[1]), 1);
    }

    /** @return array{string, float}|null its name and its number at the end */
    private static function numbered(string $mark): ?array
    {
        return preg_match('/^(.*?)(\d{1,5}(?:\.\d+)?)$/u', $mark, $found) === 1 ? [$found[1], (float) $found[2]] : null;
    }

    private static function wrong(string $says): InputError
    {
        return new InputError('set_marks', $says);
    }
}
