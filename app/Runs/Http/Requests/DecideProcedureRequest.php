<?php

declare(strict_types=1);

namespace App\Runs\Http\Requests;

use App\Http\Body;
use App\Runs\Models\ProcedureEntry;

final class DecideProcedureRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('decide', ProcedureEntry::class);
    }

    public function rules(): array
    {
        return [
            'approve' => ['required', 'boolean'],
            'reason' => ['required_if:approve,false', 'nullable', 'string', 'max:500'],
        ];
    }

    public static function says(): array
    {
        return ['approve' => 'false: turned down, with a reason'];
    }
}
