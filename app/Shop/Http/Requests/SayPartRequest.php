<?php

declare(strict_types=1);

namespace App\Shop\Http\Requests;

use App\Http\Body;
use App\Shop\Models\Product;

final class SayPartRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('create', Product::class);
    }

    public function rules(): array
    {
        return [
            'name' => ['required', 'string', 'max:80'],
            'reorder_at' => ['nullable', 'integer', 'between:0,1000000'],
            'order_to' => ['nullable', 'integer', 'between:1,1000000'],
            'comes_days' => ['nullable', 'integer', 'between:0,365'],
            'retired' => ['boolean'],
            'after_revision' => [$this->route('part') === null ? 'prohibited' : 'required', 'integer', 'min:1'],
        ];
    }

    public static function says(): array
    {
        return [
            'reorder_at' => 'at so many or fewer more are ordered; with order_to, or neither',
            'order_to' => 'how many there ought to be then',
            'comes_days' => 'days from the order to the shelf',
            'retired' => 'it is bought no more',
            'after_revision' => 'that was seen; of one that is there already',
        ];
    }

    /** @return array{name: string, reorder_at: int|null, order_to: int|null, comes_days: int|null, retired: bool} */
    public function said(): array
    {
        $number = fn (string $name): ?int => $this->input($name) === null ? null : $this->integer($name);

        return [
            'name' => $this->string('name')->trim()->value(),
            'reorder_at' => $number('reorder_at'),
            'order_to' => $number('order_to'),
            'comes_days' => $number('comes_days'),
            'retired' => $this->boolean('retired'),
        ];
    }
}
