<?php

declare(strict_types=1);

namespace App\Shop\Http\Requests;

use App\Http\Body;

final class SayOfMachineRequest extends Body
{
    use SaidFacts;

    public function authorize(): bool
    {
        return $this->may('update', $this->route('machine'));
    }

    public function rules(): array
    {
        return self::factRules() + ['after' => ['required', 'integer', 'min:0']];
    }
}
