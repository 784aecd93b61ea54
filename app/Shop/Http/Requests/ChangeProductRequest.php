<?php

declare(strict_types=1);

namespace App\Shop\Http\Requests;

final class ChangeProductRequest extends AddProductRequest
{
    public function authorize(): bool
    {
        return $this->may('update', $this->route('product'));
    }

    public function rules(): array
    {
        return ['after_revision' => ['required', 'integer', 'min:1']] + parent::rules();
    }

    public static function says(): array
    {
        return parent::says() + ['after_revision' => 'the revision that was seen'];
    }
}
