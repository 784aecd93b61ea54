<?php

declare(strict_types=1);

namespace App\Shop\Http\Requests;

use App\Http\Body;

final class WatchGoodsRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('update', $this->route('product'));
    }

    public function rules(): array
    {
        return [
            'after_revision' => ['required', 'integer', 'min:1'],
            'reorder_at' => ['nullable', 'integer', 'between:0,1000000'],
            'make_to' => ['nullable', 'integer', 'between:1,1000000'],
        ];
    }

    public static function says(): array
    {
        return [
            'after_revision' => 'the revision of the product that was seen',
            'reorder_at' => 'at so many or fewer more are made; null where nobody watches it',
        ];
    }
}
