<?php

declare(strict_types=1);

namespace App\Instruments\Http\Requests;

use App\Http\Body;
use App\People\Models\User;
use App\Shop\Models\Machine;

final class PairRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('manage', User::class);
    }

    public function rules(): array
    {
        return ['machine_id' => ['required', 'integer', 'exists:machines,id']];
    }

    public static function says(): array
    {
        return ['machine_id' => 'where the instrument hangs'];
    }

    public function machine(): Machine
    {
        return Machine::query()->findOrFail($this->integer('machine_id'));
    }
}
