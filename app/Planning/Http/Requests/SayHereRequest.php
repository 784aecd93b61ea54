<?php

declare(strict_types=1);

namespace App\Planning\Http\Requests;

use App\Http\Body;
use App\Planning\Models\ShopOrder;

final class SayHereRequest extends Body
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
            'person_id' => ['required', 'integer', 'exists:users,id'],
            'from' => GetDayRequest::MOMENT,
            'to' => [...GetDayRequest::MOMENT, 'gte:from'],
        ];
    }

    public static function says(): array
    {
        return ['day' => 'its beginning, as the plan has it', 'to' => 'as from: not here at all'];
    }
}
