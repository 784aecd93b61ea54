<?php

declare(strict_types=1);

namespace Database\Factories;

use App\Material\Models\Lot;
use App\Material\Models\LotMovement;
use App\Material\Support\MovementKind;
use Illuminate\Database\Eloquent\Factories\Factory;

/** @extends Factory<Lot> */
final class LotFactory extends Factory
{
    protected $model = Lot::class;

    public function definition(): array
    {
        return [
            'code' => 'T-'.bin2hex(random_bytes(4)),
            'source_id' => SourceFactory::new(),
            'polymer' => 'HDPE',
            'form' => 'flake',
            'colour' => 'grey',
            'swatch' => '#888888',
            'location' => '',
            'dry_state' => 'unknown',
            'generation' => 0,
        ];
    }

    /** With so much in it, delivered. */
    public function holding(float $grams): self
    {
        return $this->afterCreating(static function (Lot $lot) use ($grams): void {
            LotMovement::query()->create([
                'lot_id' => $lot->id,
                'mass_g' => $grams,
                'kind' => MovementKind::Delivered,
                'reason' => 'delivery, weighed',
                'at' => now(),
            ]);
        });
    }
}
