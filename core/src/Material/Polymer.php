<?php

declare(strict_types=1);

namespace Dithermic\Core\Material;

/** One polymer's record, read through typed questions. Keys carry their units, as in data/polymers.json. */
final readonly class Polymer
{
    /**
     * @param  array<string, mixed>  $record
     * @param  list<string>  $overridden  dotted paths that the shop has changed
     */
    public function __construct(public string $code, public array $record, public array $overridden = [])
    {
    }

    public function name(): string
    {
        return (string) $this->record['name'];
    }

    public function morphology(): ?Morphology
    {
        return Morphology::tryFrom((string) ($this->record['morphology'] ?? ''));
    }

    /** The typical value of a ranged property, or the plain number; null where the polymer has none. */
    public function typical(string $key): ?float
    {
        $value = $this->record[$key] ?? null;
        $value = is_array($value) ? ($value['typical'] ?? null) : $value;

        return is_int($value) || is_float($value) ? (float) $value : null;
    }

    /** A property named as the calculations name it; see MaterialInput. */
    public function property(string $name): ?float
    {
        return match ($name) {
            'density_g_cm3' => $this->typical('density_solid_g_cm3'),
            'bulk_density_g_cm3' => $this->typical('bulk_density_flake_g_cm3'),
            'absorptivity' => isset($this->record['ir']['absorptivity_0_to_1'])
                ? (float) $this->record['ir']['absorptivity_0_to_1']
                : null,
            'ceiling_c' => $this->ceiling(),
            'minutes_at_ceiling' => $this->minutesAtCeiling(),
            default => $this->typical($name),
        };
    }

    /** @return array<string, mixed> the window of a process, or its why_not */
    public function process(string $process): array
    {
        $window = $this->record['process'][$process] ?? [];

        return is_array($window) ? $window : [];
    }

    public function whyNot(string $process): ?string
    {
        $why = $this->process($process)['why_not'] ?? null;

        return is_string($why) ? $why : null;
    }

    /** The set-point above which the polymer gives off fume or breaks down, °C. */
    public function ceiling(): ?float
    {
        $ceiling = $this->record['degradation_c']['ceiling'] ?? null;

        return is_int($ceiling) || is_float($ceiling) ? (float) $ceiling : null;
    }

    /** @return list<string> */
    public function hazards(): array
    {
        return array_values(array_map(strval(...), $this->record['hazards'] ?? []));
    }

    /** Minutes that the melt stands at its ceiling before it is spent; null where nothing is known. */
    public function minutesAtCeiling(): ?float
    {
        $minutes = $this->record['degradation_c']['minutes_at_ceiling'] ?? null;

        return is_int($minutes) || is_float($minutes) ? (float) $minutes : null;
    }

    /** Never heated here, by anybody: what is not identified, what is something else, and any PVC. */
    public function neverHot(): bool
    {
        return $this->morphology() === null || $this->isPvc();
    }

    /** Breaks down into gas or acid, suddenly, at the heat that others are run at. */
    public function breaksDownViolently(): bool
    {
        return in_array($this->code, ['POM', 'EVA', 'TPU'], true);
    }

    public function isPvc(): bool
    {
        return str_starts_with($this->code, 'PVC');
    }

    /** Why the two must not meet hot; null when they may. Either may know of the other. */
    public function dangerWith(self $other): ?string
    {
        foreach ([[$this, $other], [$other, $this]] as [$one, $two]) {
            foreach ($one->record['incompatible_with'] ?? [] as $pair) {
                if ($pair['code'] === $two->code && $pair['severity'] === 'dangerous') {
                    return (string) $pair['why'];
                }
            }
        }

        return null;
    }

    /**
     * Per cent of another polymer that this one takes without harm, and what it does to it; null where the library has
     * none.
     */
    public function blendsWith(string $other): ?float
    {
        foreach ($this->record['blends_ok_with'] ?? [] as $blend) {
            if ($blend['code'] === $other) {
                return (float) $blend['max_pct'];
            }
        }

        return null;
    }

    /**
     * The melt window of a barrel process, °C: injection's, for a polymer that is only extruded that one's.
     *
     * @return array{min: float, typical: float, max: float}|null
     */
    public function meltWindow(string $process = 'injection'): ?array
    {
        foreach ([$process, 'injection', 'extrusion'] as $one) {
            $melt = $this->process($one)['melt_c'] ?? null;
            if (is_array($melt)) {
                return [
                    'min' => (float) $melt['min'],
                    'typical' => (float) $melt['typical'],
                    'max' => (float) $melt['max'],
                ];
            }
        }

        return null;
    }

    /** Hygroscopic resins must be dried through; surface moisture only needs driving off. */
    public function mustBeDried(): bool
    {
        $needed = $this->record['drying']['needed'] ?? false;

        return $needed === 'always';
    }

    public function origin(string $path): string
    {
        foreach ($this->overridden as $changed) {
            if ($changed === $path || str_starts_with($changed, $path.'.')) {
                return 'your shop\'s value';
            }
        }

        return 'polymer library';
    }
}
