<?php

declare(strict_types=1);

namespace App\Runs\Http\Requests;

use App\Http\Body;
use App\Runs\Models\Run;

final class GetProposalsRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('viewAny', Run::class);
    }

    public function rules(): array
    {
        return ['until' => ['required', 'numeric', 'between:0,100000000000']];
    }

    public static function says(): array
    {
        return ['until' => 'end of the shift, seconds since 1970 UTC'];
    }
}
