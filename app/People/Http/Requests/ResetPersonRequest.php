<?php

declare(strict_types=1);

namespace App\People\Http\Requests;

use App\Http\Body;
use App\People\Models\User;
use App\People\Support\People;

final class ResetPersonRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('manage', User::class);
    }

    public function rules(): array
    {
        return ['password' => People::passwordRules(...People::namesOf($this->route('person')))];
    }
}
