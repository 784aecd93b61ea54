<?php

declare(strict_types=1);

namespace App\Runs\Http\Requests;

use App\Http\Body;

final class GetRunRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('view', $this->route('run'));
    }

    public function rules(): array
    {
        return ['since' => AppendEventsRequest::SINCE];
    }
}
