<?php

declare(strict_types=1);

namespace App\Runs\Http\Requests;

use App\Http\Body;

final class GetRestartRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('view', $this->route('run'));
    }

    public function rules(): array
    {
        return ['read_c' => ['nullable', 'numeric', 'between:-50,600']];
    }

    public static function says(): array
    {
        return ['read_c' => '°C that it reads now; without it the machine is taken to have cooled as it does'];
    }
}
