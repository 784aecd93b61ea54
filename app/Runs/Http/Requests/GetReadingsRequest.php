<?php

declare(strict_types=1);

namespace App\Runs\Http\Requests;

use App\Http\Body;

final class GetReadingsRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('view', $this->route('run'));
    }

    public function rules(): array
    {
        return [
            'from' => ['required_with:to', 'numeric', 'between:0,99999999999'],
            'to' => ['required_with:from', 'numeric', 'between:0,99999999999', 'gt:from'],
        ];
    }

    public static function says(): array
    {
        return [
            'from' => 'only what was read from then on, seconds since 1970 UTC',
            'to' => 'only what was read until then',
        ];
    }

    /** @return array{float|null, float|null} */
    public function span(): array
    {
        $given = $this->validated();

        return [
            isset($given['from']) ? (float) $given['from'] : null, isset($given['to']) ? (float) $given['to'] : null,
        ];
    }
}
