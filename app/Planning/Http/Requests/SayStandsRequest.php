<?php

declare(strict_types=1);

namespace App\Planning\Http\Requests;

use App\Http\Body;
use App\Planning\Models\ShopOrder;

final class SayStandsRequest extends Body
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
            'machine_id' => ['required', 'integer', 'exists:machines,id'],
            'from' => GetDayRequest::MOMENT,
            'to' => [...GetDayRequest::MOMENT, 'gte:from'],
            'why' => ['nullable', 'string', 'max:200'],
        ];
    }

    public static function says(): array
    {
        return ['day' => 'its beginning, as the plan has it', 'to' => 'as from: it does not stand at all'];
    }
}
