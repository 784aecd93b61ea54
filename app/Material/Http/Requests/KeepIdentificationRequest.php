<?php

declare(strict_types=1);

namespace App\Material\Http\Requests;

use App\Http\Body;
use App\Material\Models\Identification;

final class KeepIdentificationRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('create', Identification::class);
    }

    public function rules(): array
    {
        return ['id' => ['required', 'uuid'], 'evidence' => ['required', 'list', 'max:30'], 'evidence.*' => ['array']];
    }
}
