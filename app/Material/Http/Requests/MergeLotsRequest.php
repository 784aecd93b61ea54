<?php

declare(strict_types=1);

namespace App\Material\Http\Requests;

use App\Http\Body;
use App\Material\Models\Lot;

final class MergeLotsRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('create', Lot::class);
    }

    public function rules(): array
    {
        return [
            'id' => ['required_unless:preview,true', 'uuid'],
            'preview' => ['nullable', 'boolean'],
            'lots' => ['required', 'list', 'min:2', 'max:12'],
            'lots.*.id' => ['required', 'integer', 'distinct'],
            'lots.*.mass_g' => self::MASS_G,
            'location' => ['nullable', 'string', 'max:60'],
            'tare_g' => ['nullable', 'numeric', 'min:0', 'max:1000000'],
        ];
    }
}
