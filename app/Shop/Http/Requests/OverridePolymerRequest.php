<?php

declare(strict_types=1);

namespace App\Shop\Http\Requests;

use App\Http\Body;
use App\Shop\Models\PolymerOverride;

final class OverridePolymerRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('create', PolymerOverride::class);
    }

    public function rules(): array
    {
        return [
            'path' => ['required', 'string', 'max:80'],
            'value' => ['present', 'nullable', 'numeric'],
            'reason' => ['required', 'string', 'max:500'],
            'after' => ['nullable', 'integer', 'min:0'],
        ];
    }

    public static function says(): array
    {
        return [
            'value' => 'null: back to the library',
            'after' => 'newest entry of it that was seen',
        ];
    }
}
