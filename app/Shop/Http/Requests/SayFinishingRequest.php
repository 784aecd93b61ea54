<?php

declare(strict_types=1);

namespace App\Shop\Http\Requests;

use App\Http\Body;
use App\Shop\Models\Finishing;

/** @phpstan-import-type Step from Finishing */
final class SayFinishingRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('update', $this->route('product'));
    }

    public function rules(): array
    {
        return [
            'after' => ['required', 'integer', 'min:0'],
            'wait' => ['integer', 'between:0,1000000'],
            'operations' => ['present', 'list', 'max:30'],
            'operations.*' => ['array'],
            'operations.*.title' => ['required', 'string', 'max:60'],
            'operations.*.minutes' => ['required', 'numeric', 'gt:0', 'max:1440'],
            'operations.*.people' => ['required', 'integer', 'between:1,4'],
            'operations.*.uses' => ['present', 'list', 'max:20'],
            'operations.*.uses.*' => ['array'],
            'operations.*.uses.*.part_id' => ['required', 'integer', 'min:1'],
            'operations.*.uses.*.count' => ['required', 'integer', 'between:1,10000'],
        ];
    }

    public static function says(): array
    {
        return [
            'after' => 'the newest that was seen; 0 for none',
            'wait' => 'of those that stand there, that it is still to be done to; counts where nothing was done so far',
            'operations' => 'in their order; none where nothing is done any more',
            'operations.*.minutes' => 'for each piece',
            'operations.*.uses.*.count' => 'for each piece',
        ];
    }

    /** @return list<Step> */
    public function operations(): array
    {
        return array_map(static fn (array $o): array => [
            'title' => $o['title'],
            'minutes' => (float) $o['minutes'],
            'people' => (int) $o['people'],
            'uses' => array_map(
                static fn (array $u): array => ['part_id' => (int) $u['part_id'], 'count' => (int) $u['count']],
                array_values($o['uses']),
            ),
        ], array_values($this->validated('operations')));
    }
}
