<?php

declare(strict_types=1);

namespace App\Runs\Http\Requests;

use App\Runs\Models\JobChange;

/** The job that a machine shall be changed over to. */
final class BeginChangeRequest extends PlanRequest
{
    public function authorize(): bool
    {
        return $this->may('create', JobChange::class);
    }

    public function rules(): array
    {
        return [
            'id' => ['required', 'uuid'],
            'people' => ['nullable', 'integer', 'between:1,2'],
            'heat_c' => ['nullable', 'numeric', 'between:-20,600'],
        ] + parent::rules();
    }

    public static function says(): array
    {
        return [
            'people' => 'who work on it; one unless said',
            'heat_c' => 'of the barrel now; that of the room unless said',
        ] + parent::says();
    }
}
