<?php

declare(strict_types=1);

namespace App\Planning\Http\Requests;

use App\Http\Body;
use App\Planning\Models\ShopOrder;

final class TakeOrderRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('create', ShopOrder::class);
    }

    public function rules(): array
    {
        return [
            'id' => ['required', 'uuid'],
            'product_id' => ['required', 'integer', 'exists:products,id'],
            'count' => ['required', 'integer', 'between:1,100000'],
            'due' => GetDayRequest::MOMENT,
            'words' => ['nullable', 'string', 'max:200'],
        ];
    }

    public static function says(): array
    {
        return ['due' => 'seconds since 1970 UTC', 'words' => 'for whom, or what they said'];
    }
}
