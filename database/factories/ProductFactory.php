<?php

declare(strict_types=1);

namespace Database\Factories;

use App\Shop\Models\Product;
use Illuminate\Database\Eloquent\Factories\Factory;

/** @extends Factory<Product> */
final class ProductFactory extends Factory
{
    protected $model = Product::class;

    public function definition(): array
    {
        return [
            'name' => 'sheet '.bin2hex(random_bytes(4)),
            'process' => 'compression',
            'polymer' => 'HDPE',
            'dimensions' => [
                'length_mm' => 300,
                'width_mm' => 200,
                'thickness_mm' => 5,
                'thickness_tolerance_mm' => 0.5,
            ],
            'note' => '',
            'revision' => 1,
        ];
    }
}
