<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Carbon\CarbonImmutable;

final class StartRunRequest extends PressPlanRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return [
            'id' => ['required', 'uuid'],
            'lot_id' => ['required', 'integer', 'exists:lots,id'],
            'overrides' => ['nullable', 'array', 'max:10'],
            'overrides.*.id' => ['required', 'string', 'max:40'],
            'overrides.*.reason' => ['required', 'string', 'min:5', 'max:500'],
        ] + parent::rules();
    }

    /** @return list<array{id: string, reason: string}> */
    public function overrides(): array
    {
        return array_values(array_map(static fn (array $o): array => ['id' => (string) $o['id'], 'reason' => (string) $o['reason']], (array) $this->input('overrides', [])));
    }

    public function at(): CarbonImmutable
    {
        return CarbonImmutable::now();
    }
}
