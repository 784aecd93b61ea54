<?php

declare(strict_types=1);

namespace App\People\Support;

use Closure;
use Illuminate\Contracts\Validation\ValidationRule;

/**
 * Refuses the passwords that are tried first: those that lists of leaked ones begin with, runs along the keyboard, the
 * same few letters again, and the name of who it is for. No list is asked over the network: a shop may have none.
 */
final readonly class NotGuessable implements ValidationRule
{
    private const FEWEST_LETTERS = 5;

    /** longest run of neighbours, as a share of the whole */
    private const RUN = 0.6;

    private const ROWS = [
        'qwertyuiop', 'asdfghjkl', 'zxcvbnm', 'qwertzuiop', 'azertyuiop', 'abcdefghijklmnopqrstuvwxyz',
        '12345678901234567890', '1q2w3e4r5t6y7u8i9o0p', 'qazwsxedcrfvtgbyhnujm',
    ];

    /** What leaked lists have most of, without the digits and signs that are hung on. */
    private const COMMON = [
        'password', 'passwort', 'passw0rd', 'p@ssw0rd', 'iloveyou', 'welcome', 'letmein', 'princess', 'sunshine',
        'football', 'baseball', 'superman',
        'trustno', 'changeme', 'administrator', 'admin', 'qwerty', 'dragon', 'monkey', 'master', 'starwars', 'whatever',
        'michael', 'jennifer',
        'charlie', 'jessica', 'liverpool', 'chocolate', 'butterfly', 'computer', 'internet', 'samsung', 'secret',
        'default', 'temporary', 'spring',
        'summer', 'autumn', 'winter', 'workshop', 'plastics', 'dithermic',
    ];

    /** @param  list<string>  $names  of the person */
    public function __construct(private array $names = [])
    {
    }

    public function validate(string $attribute, mixed $value, Closure $fail): void
    {
        $why = is_string($value) ? $this->why($value) : null;
        if ($why !== null) {
            $fail("{$why}, and would be among the first that are tried: take three or four words that do not belong together");
        }
    }

    private function why(string $password): ?string
    {
        $plain = mb_strtolower($password);
        $letters = (string) preg_replace('/[^\p{L}@]+/u', '', $plain);
        $bare = (string) preg_replace('/[\d\W_]+$|^[\d\W_]+/u', '', $plain);

        return match (true) {
            count(array_unique(mb_str_split($plain))) < self::FEWEST_LETTERS => 'has the same few letters again and again',
            self::longestRun($plain) >= self::RUN * mb_strlen($plain) => 'runs along the keyboard',
            $this->isCommon($bare), $this->isCommon($letters) => 'stands in every list of leaked passwords',
            $this->isName($letters) => 'is a name with something hung on',
            default => null,
        };
    }

    /** One of the common ones, once or twice over. */
    private function isCommon(string $text): bool
    {
        foreach (self::COMMON as $common) {
            if ($text === $common || $text === $common.$common) {
                return true;
            }
        }

        return false;
    }

    private function isName(string $letters): bool
    {
        $parts = [];
        foreach ($this->names as $name) {
            array_push($parts, ...preg_split('/[^\p{L}]+/u', mb_strtolower($name), -1, PREG_SPLIT_NO_EMPTY) ?: []);
        }
        $left = $letters;
        foreach ($parts as $part) {
            $left = mb_strlen($part) < 3 ? $left : str_replace($part, '', $left);
        }

        return $letters !== '' && $left === '';
    }

    private static function longestRun(string $text): int
    {
        $longest = 0;
        foreach (self::ROWS as $row) {
            foreach ([$row, strrev($row)] as $way) {
                for ($from = 0; $from < strlen($text); $from++) {
                    $length = $longest + 1;
                    while ($from + $length <= strlen($text) && str_contains($way, substr($text, $from, $length))) {
                        $longest = $length++;
                    }
                }
            }
        }

        return $longest;
    }
}
