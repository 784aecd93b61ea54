<?php

declare(strict_types=1);

namespace App\Causes\Http\Requests;

use App\Http\Body;

final class MarkFlawRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('record', $this->route('run'));
    }

    public function rules(): array
    {
        return [
            'id' => ['required', 'uuid'],
            'undoes' => ['nullable', 'uuid'],
            'piece' => ['nullable', 'integer', 'between:1,1000000'],
            'defect' => ['required_without:undoes', 'nullable', 'string', 'max:40'],
            'along' => ['required_without:undoes', 'nullable', 'numeric', 'between:0,1'],
            'across' => ['required_without:undoes', 'nullable', 'numeric', 'between:0,1'],
        ];
    }

    public static function says(): array
    {
        return [
            'id' => 'made by the screen, so that one sent twice is kept once',
            'undoes' => 'id of a flaw that was marked wrongly; then nothing else is said',
            'piece' => 'its number; none where the run is one pass',
            'along' => 'share of the length, from the left as it is drawn',
            'across' => 'share of the width, from below',
        ];
    }
}
