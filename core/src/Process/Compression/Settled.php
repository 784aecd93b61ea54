<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Compression;

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Reader;
use Dithermic\Core\Material\Polymer;
use Dithermic\Core\Process\PlannedSetting;

/**
 * Every setting of a sheet with where it came from: what a person moved, else the recipe (of the product's own polymer),
 * else the product, else the library or usual practice.
 */
final readonly class Settled
{
    private const USUAL = [
        'allowance_pct' => 5.0,
        'trim_mm' => 0.0,
        'initial_c' => 20.0,
        'soak_min' => 3.0,
        'heat_factor' => 1.0,
        'cool_factor' => 1.0,
        'pump_every_min' => 3.0,
    ];

    /** @param  array<string, PlannedSetting>  $all */
    private function __construct(private array $all)
    {
    }

    /** @throws InputError naming the setting */
    public static function of(PlanInput $in, Polymer $polymer): self
    {
        $window = $polymer->process('compression')['platen_c'] ?? null;
        $all = [];
        foreach (Reader::plan(SheetSettings::class) as [$parameter, $field]) {
            $name = $parameter->name;
            [$value, $origin] = match (true) {
                $in->settings?->{$name} !== null => [$in->settings->{$name}, 'set here'],
                $in->recipe?->{$name} !== null => [$in->recipe->{$name}, $in->recipe_name],
                $in->product->{$name} !== null => [$in->product->{$name}, 'the product'],
                $name === 'platen_c' && isset($window['typical']) => [
                    (float) $window['typical'],
                    $polymer->origin('process.compression.platen_c'),
                ],
                $name === 'bulk_density_g_cm3' => [
                    $polymer->property('bulk_density_g_cm3'),
                    $polymer->origin('bulk_density_flake_g_cm3'),
                ],
                isset(self::USUAL[$name]) => [self::USUAL[$name], 'usual practice'],
                default => [null, ''],
            };
            $bounds = $name === 'platen_c' && $window !== null ? $window : [];
            $all[$name] = new PlannedSetting(
                $name,
                $value,
                $field->unit,
                isset($bounds['min']) ? (float) $bounds['min'] : null,
                isset($bounds['typical']) ? (float) $bounds['typical'] : $value,
                isset($bounds['max']) ? (float) $bounds['max'] : null, $origin, $field->about,
            );
        }
        $settled = new self($all);
        $settled->check($polymer->code);

        return $settled;
    }

    public function get(string $name): float
    {
        return (float) $this->all[$name]->value;
    }

    public function optional(string $name): ?float
    {
        return $this->all[$name]->value;
    }

    /** @return list<PlannedSetting> */
    public function list(): array
    {
        return array_values($this->all);
    }

    /** @throws InputError */
    private function check(string $polymer): void
    {
        if ($this->optional('platen_c') === null) {
            throw new InputError(
                'settings.platen_c',
                "{$polymer} has no window for pressing: set the platen temperature",
            );
        }
        foreach (['length_mm', 'width_mm', 'thickness_mm'] as $name) {
            if ($this->optional($name) === null) {
                throw new InputError("settings.{$name}", 'is required: neither the product nor a recipe says it');
            }
        }
        if ($this->optional('thickness_tolerance_mm') === null) {
            throw new InputError(
                'settings.thickness_tolerance_mm',
                'is not known yet: say how far the thickest place may be from the thinnest',
            );
        }
        foreach (['thickness_tolerance_mm', 'pump_every_min', 'cool_factor'] as $name) {
            if ($this->get($name) <= 0) {
                throw new InputError("settings.{$name}", 'must be above 0');
            }
        }
    }
}
