<?php

declare(strict_types=1);

namespace App\Material\Http\Requests;

use App\Http\Body;
use App\Material\Models\Lot;

final class GetLotsRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('viewAny', Lot::class);
    }

    public function rules(): array
    {
        return [
            'polymer' => ['nullable', 'string', 'max:20'],
            'find' => ['nullable', 'string', 'max:100'],
            'emptied' => ['nullable', 'boolean'],
            'after' => ['nullable', 'integer', 'between:1,9000000000000000'],
        ];
    }

    public static function says(): array
    {
        return ['emptied' => 'those that hold nothing any more too'];
    }
}
