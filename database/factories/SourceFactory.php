<?php

declare(strict_types=1);

namespace Database\Factories;

use App\Material\Models\Source;
use Dithermic\Core\Safety\SourceState;
use Illuminate\Database\Eloquent\Factories\Factory;

/** @extends Factory<Source> */
final class SourceFactory extends Factory
{
    protected $model = Source::class;

    public function definition(): array
    {
        return ['name' => 'Source '.bin2hex(random_bytes(4)), 'state' => SourceState::Accepted, 'note' => ''];
    }
}
