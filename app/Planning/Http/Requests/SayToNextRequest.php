<?php

declare(strict_types=1);

namespace App\Planning\Http\Requests;

use App\Http\Body;
use App\Planning\Models\ShopOrder;

final class SayToNextRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('create', ShopOrder::class);
    }

    public function rules(): array
    {
        return ['id' => ['required', 'uuid'], 'text' => ['required', 'string', 'max:1000']];
    }

    public static function says(): array
    {
        return ['id' => 'made by the screen, so that one sent twice is kept once'];
    }
}
