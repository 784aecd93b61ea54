<?php

declare(strict_types=1);

namespace App\Runs\Http\Requests;

use App\Http\Body;
use App\Runs\Models\PassportLine;
use App\Runs\Support\PassportShows;
use Illuminate\Validation\Rule;

final class SayOfPassportRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('create', PassportLine::class);
    }

    public function rules(): array
    {
        return [
            'id' => ['required', 'uuid'],
            'before' => ['present', 'nullable', 'integer', 'min:1'],
            'shows' => ['present', 'array', 'max:5'],
            'shows.*' => ['distinct', Rule::enum(PassportShows::class)],
            'waste' => ['present', 'array', 'max:50'],
            'waste.*' => ['integer', 'min:1'],
        ];
    }

    public static function says(): array
    {
        return [
            'id' => 'made by the screen, so that one sent twice is kept once',
            'before' => 'the word that stood when it was looked at; null for none',
            'shows' => 'what is shown to whoever has the code; nothing: there is no passport',
            'waste' => 'sources whose material would have been waste',
        ];
    }

    /** @return list<PassportShows> */
    public function shows(): array
    {
        return array_values(array_map(PassportShows::from(...), $this->validated()['shows']));
    }

    /** @return list<int> */
    public function waste(): array
    {
        return array_values(array_map(intval(...), $this->validated()['waste']));
    }
}
