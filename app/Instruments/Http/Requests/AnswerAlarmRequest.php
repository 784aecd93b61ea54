<?php

declare(strict_types=1);

namespace App\Instruments\Http\Requests;

use App\Http\Body;
use App\Shop\Models\Machine;

/** Somebody has seen an alarm. */
final class AnswerAlarmRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('viewAny', Machine::class);
    }

    public function rules(): array
    {
        return ['note' => ['nullable', 'string', 'max:500']];
    }
}
