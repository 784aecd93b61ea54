<?php

declare(strict_types=1);

namespace App\Shop\Http\Requests;

use App\Http\Body;
use App\People\Models\User;
use App\Shop\Support\PartMovementKind;
use Illuminate\Validation\Rule;

final class MovePartRequest extends Body
{
    /** Whoever takes a delivery in or counts. */
    public function authorize(): bool
    {
        return $this->user() instanceof User && $this->user()->active;
    }

    public function rules(): array
    {
        return [
            'id' => ['required', 'uuid'],
            'kind' => ['required', Rule::enum(PartMovementKind::class)->except(PartMovementKind::Used)],
            'count' => ['required', 'integer', 'between:0,1000000'],
            'reason' => ['nullable', 'string', 'max:500'],
        ];
    }

    public static function says(): array
    {
        return [
            'id' => 'made by the screen, so that one sent twice is kept once',
            'kind' => 'came or counted; what is used goes with what is finished',
            'count' => 'came: so many; counted: so many are there',
        ];
    }
}
