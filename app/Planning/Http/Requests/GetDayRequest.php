<?php

declare(strict_types=1);

namespace App\Planning\Http\Requests;

use App\Http\Body;
use App\Planning\Models\ShopOrder;

final class GetDayRequest extends Body
{
    /** a moment, s since 1970 UTC */
    public const MOMENT = ['required', 'numeric', 'between:0,99999999999'];

    public function authorize(): bool
    {
        return $this->may('viewAny', ShopOrder::class);
    }

    public function rules(): array
    {
        return ['from' => self::MOMENT, 'until' => [...self::MOMENT, 'gt:from']];
    }

    public static function says(): array
    {
        return [
            'from' => 'beginning of the day\'s work, seconds since 1970 UTC: only a screen knows the shop\'s wall clock',
            'until' => 'its end',
        ];
    }

    /** @return array{float, float} a day at most, to the minute: what two screens ask is the same day */
    public function span(): array
    {
        return self::minutes($this->validated());
    }

    /**
     * @param  array<string, mixed>  $given
     * @return array{float, float}
     */
    public static function minutes(array $given): array
    {
        $from = 60 * floor($given['from'] / 60);

        return [$from, min($from + 86_400, 60 * ceil($given['until'] / 60))];
    }
}
