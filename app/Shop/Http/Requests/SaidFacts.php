<?php

declare(strict_types=1);

namespace App\Shop\Http\Requests;

use Dithermic\Core\Process\FactOrigin;
use Illuminate\Validation\Rule;

/** What somebody says of a machine: by the names that its kind lists. */
trait SaidFacts
{
    /** @return array<string, mixed> */
    private static function factRules(): array
    {
        return [
            'facts' => ['present', 'array', 'max:60'],
            'facts.*' => ['array'],
            'facts.*.value' => ['present', 'nullable'],
            'facts.*.origin' => ['nullable', Rule::enum(FactOrigin::class)],
            'note' => ['nullable', 'string', 'max:500'],
        ];
    }

    public static function says(): array
    {
        return [
            'facts' => 'by name, as GET machine-kinds lists them; a value of null is not known',
            'after' => 'the newest fact that was seen',
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'facts.*.array' => 'must be an object with where it is from: {"value": 2.2, "origin": "plate"}',
        ];
    }

    /** @return array<string, array{value: mixed, origin: FactOrigin}> */
    public function facts(): array
    {
        return array_map(static fn (array $fact): array => [
            'value' => $fact['value'],
            'origin' => FactOrigin::from($fact['origin'] ?? FactOrigin::Measured->value),
        ], $this->validated('facts'));
    }
}
