<?php

declare(strict_types=1);

namespace Dithermic\Core\Diagnosis;

use RuntimeException;

/**
 * A condition of the defects' knowledge: "< x", "<= x", "> x", ">= x", "between a b" (both ends in), "== value", "!=
 * value", "in value|value". Of a signal that has several values at once, == and in hold when any of them does, != when
 * none does.
 */
final readonly class When
{
    /** @param  list<string>  $values */
    private function __construct(private string $is, private float $low, private float $high, private array $values)
    {
    }

    public static function of(string $text): self
    {
        [$is, $rest] = explode(' ', $text, 2);
        $numbers = array_map(floatval(...), explode(' ', $rest));

        return match ($is) {
            '<', '<=' => new self($is, -INF, $numbers[0], []),
            '>', '>=' => new self($is, $numbers[0], INF, []),
            'between' => new self($is, $numbers[0], $numbers[1], []),
            '==', '!=' => new self($is, 0.0, 0.0, [$rest]),
            'in' => new self($is, 0.0, 0.0, explode('|', $rest)),
            default => throw new RuntimeException("no such condition: {$text}"),
        };
    }

    /** @param  float|bool|string|list<string>  $value */
    public function holds(float|bool|string|array $value): bool
    {
        if ($this->values === []) {
            return is_numeric($value) && match ($this->is) {
                '<' => $value < $this->high,
                '>' => $value > $this->low,
                default => $value >= $this->low && $value <= $this->high,
            };
        }
        $given = array_map(
            static fn (float|bool|string $v): string => is_bool($v) ? ($v ? 'true' : 'false') : (string) $v,
            is_array($value) ? $value : [$value],
        );
        $any = array_intersect($given, $this->values) !== [];

        return $this->is === '!=' ? ! $any : $any;
    }

    /** @return list<float> where a number passes from one answer to the other */
    public function edges(): array
    {
        return $this->values !== [] ? [] : array_values(array_filter([$this->low, $this->high], is_finite(...)));
    }
}
