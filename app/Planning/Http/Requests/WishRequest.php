<?php

declare(strict_types=1);

namespace App\Planning\Http\Requests;

use App\Http\Body;
use App\Planning\Models\ShopOrder;
use App\Planning\Support\WishKind;
use Illuminate\Validation\Rule;

final class WishRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('create', ShopOrder::class);
    }

    public function rules(): array
    {
        return [
            'id' => ['required', 'uuid'],
            'day' => GetDayRequest::MOMENT,
            'after' => ['required', 'integer', 'between:0,9000000000000000'],
            'job' => ['required', 'string', 'regex:/^(shelf|order)-[1-9][0-9]{0,14}$/'],
            'kind' => ['required', Rule::enum(WishKind::class)],
            'start' => ['required_if:kind,pinned', 'nullable', 'numeric', 'between:0,99999999999'],
        ];
    }

    public static function says(): array
    {
        return [
            'after' => 'newest wish of the day that was seen',
            'start' => 'when its first piece begins',
        ];
    }
}
