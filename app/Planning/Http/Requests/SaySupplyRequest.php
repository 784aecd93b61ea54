<?php

declare(strict_types=1);

namespace App\Planning\Http\Requests;

use App\Http\Body;
use App\Planning\Models\PowerSupply;

final class SaySupplyRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('create', PowerSupply::class);
    }

    public function rules(): array
    {
        return [
            'id' => ['required', 'uuid'],
            'phases' => ['required', 'integer', 'between:1,3'],
            'amps' => ['present', 'nullable', 'numeric', 'gt:0', 'max:10000'],
        ];
    }

    public static function says(): array
    {
        return ['amps' => 'on each phase; null: the plan does not look at it'];
    }
}
