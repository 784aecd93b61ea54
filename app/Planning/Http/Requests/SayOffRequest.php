<?php

declare(strict_types=1);

namespace App\Planning\Http\Requests;

use App\Http\Body;
use App\People\Models\User;

final class SayOffRequest extends Body
{
    /** When the shop is shut is a lead's to say. */
    public function authorize(): bool
    {
        return $this->may('manage', User::class);
    }

    public function rules(): array
    {
        return [
            'id' => ['required', 'uuid'],
            'day' => GetDayRequest::MOMENT,
            'off' => ['required', 'boolean'],
            'why' => ['nullable', 'string', 'max:200'],
        ];
    }

    public static function says(): array
    {
        return ['day' => 'its beginning, as the plan has it', 'off' => 'nobody works then; false: they do after all'];
    }
}
