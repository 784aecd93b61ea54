<?php

declare(strict_types=1);

namespace App\Planning\Http\Requests;

use App\Http\Body;
use App\Planning\Models\ShopOrder;
use App\Planning\Support\OrderEntryKind;
use Illuminate\Validation\Rule;

final class SayOfOrderRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('create', ShopOrder::class);
    }

    public function rules(): array
    {
        return [
            'id' => ['required', 'uuid'],
            'kind' => ['required', Rule::enum(OrderEntryKind::class)],
            'after' => ['required', 'integer', 'between:0,9000000000000000'],
            'due' => ['required_if:kind,moved', 'nullable', 'numeric', 'between:0,99999999999'],
            'reason' => ['required_if:kind,cancelled', 'nullable', 'string', 'max:500'],
        ];
    }

    public static function says(): array
    {
        return ['after' => 'newest entry of its log that was seen', 'due' => 'to when it moves'];
    }
}
