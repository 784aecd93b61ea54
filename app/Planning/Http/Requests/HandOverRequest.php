<?php

declare(strict_types=1);

namespace App\Planning\Http\Requests;

use App\Http\Body;
use App\Planning\Models\ShopOrder;

final class HandOverRequest extends Body
{
    /** nobody hands over more than two days */
    private const LONGEST_S = 172_800;

    public function authorize(): bool
    {
        return $this->may('viewAny', ShopOrder::class);
    }

    public function rules(): array
    {
        return [
            'since' => GetDayRequest::MOMENT,
            'from' => GetDayRequest::MOMENT,
            'until' => [...GetDayRequest::MOMENT, 'gt:from'],
        ];
    }

    public static function says(): array
    {
        return [
            'since' => 'when the shift that hands over began, two days ago at most',
            'from' => 'as of the day',
            'until' => 'as of the day',
        ];
    }

    public function since(float $now): float
    {
        return max($now - self::LONGEST_S, (float) $this->validated('since'));
    }

    /** @return array{float, float} as the plan of the day is asked for */
    public function span(): array
    {
        return GetDayRequest::minutes($this->validated());
    }
}
