<?php

declare(strict_types=1);

namespace App\Shop\Http\Requests;

use App\Http\Body;
use App\Shop\Support\GoodsMovementKind;
use Illuminate\Validation\Rule;

final class MoveGoodsRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('moveGoods', $this->route('product'));
    }

    public function rules(): array
    {
        return [
            'id' => ['required', 'uuid'],
            'kind' => ['required', Rule::enum(GoodsMovementKind::class)],
            'count' => ['required', 'integer', 'between:0,1000000'],
            'reason' => ['nullable', 'string', 'max:500'],
        ];
    }

    public static function says(): array
    {
        return ['count' => 'taken: so many go; counted: so many are there'];
    }
}
