<?php

declare(strict_types=1);

namespace App\Material\Http\Requests;

use App\Http\Body;
use App\Material\Models\Mix;
use Dithermic\Core\Charge\PartKind;
use Illuminate\Validation\Rule;

final class KeepMixRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('create', Mix::class);
    }

    public function rules(): array
    {
        return [
            'name' => ['required', 'string', 'max:80'],
            'polymer' => ['required', 'string', 'max:20'],
            'after_version' => ['required', 'integer', 'min:0'],
            'note' => ['nullable', 'string', 'max:500'],
            'components' => ['required', 'list', 'min:1', 'max:20'],
            'components.*.name' => ['required', 'string', 'max:60', 'distinct'],
            'components.*.swatch' => ['required', 'regex:/^#[0-9a-fA-F]{6}$/'],
            'components.*.parts' => ['required', 'numeric', 'gt:0', 'max:1000000'],
            'components.*.kind' => ['required', Rule::enum(PartKind::class)],
        ];
    }
}
