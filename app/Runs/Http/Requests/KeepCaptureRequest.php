<?php

declare(strict_types=1);

namespace App\Runs\Http\Requests;

use App\Http\Body;

final class KeepCaptureRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('record', $this->route('run'));
    }

    public function rules(): array
    {
        return [
            'id' => ['required', 'uuid'],
            'shown' => ['required', 'array', 'max:30'],
            'shown.*' => ['nullable', 'numeric'],
            'pictures' => ['present', 'list', 'max:12'],
            'pictures.*' => ['uuid', 'distinct', 'exists:pictures,id'],
        ];
    }

    public static function says(): array
    {
        return ['shown' => 'numbers by the names of GET runs/{run}/capture'];
    }
}
