<?php

declare(strict_types=1);

namespace App\Shop\Http\Requests;

use App\Http\Body;
use App\Shop\Models\Machine;

final class AddMachineRequest extends Body
{
    use SaidFacts;

    public function authorize(): bool
    {
        return $this->may('create', Machine::class);
    }

    public function rules(): array
    {
        return self::factRules() + [
            'name' => ['required', 'string', 'max:60'],
            'kind' => ['required', 'string', 'max:30'],
        ];
    }
}
