<?php

declare(strict_types=1);

namespace Database\Factories;

use App\Shop\Models\Machine;
use Illuminate\Database\Eloquent\Factories\Factory;

/** @extends Factory<Machine> */
final class MachineFactory extends Factory
{
    protected $model = Machine::class;

    public function definition(): array
    {
        return ['name' => 'Machine '.self::number(), 'kind' => 'cold_press', 'facts' => []];
    }

    private static function number(): int
    {
        static $number = 0;

        return ++$number;
    }
}
