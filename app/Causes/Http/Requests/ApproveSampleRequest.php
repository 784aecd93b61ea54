<?php

declare(strict_types=1);

namespace App\Causes\Http\Requests;

use App\Http\Body;

final class ApproveSampleRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('update', $this->route('product'));
    }

    public function rules(): array
    {
        return [
            'id' => ['required', 'uuid'],
            'place' => ['required', 'string', 'max:40'],
            'part_picture_id' => ['present', 'nullable', 'uuid'],
            'before' => ['present', 'nullable', 'uuid'],
        ];
    }

    public static function says(): array
    {
        return [
            'id' => 'made by the screen, so that one sent twice is kept once',
            'part_picture_id' => 'a picture of a part of this product, at this place; null: nothing stands for good there any more',
            'before' => 'what stood for good there when it was looked at; null for none',
        ];
    }
}
