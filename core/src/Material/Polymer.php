<?php

declare(strict_types=1);

namespace Dithermic\Core\Material;

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Data\Range;
use Dithermic\Core\Data\Record;

/** One polymer's record, read through typed questions. Keys carry their units, as in data/polymers.json. */
final readonly class Polymer
{
    /** what the library says, with the shop's own values laid over it */
    public Record $data;

    /**
     * @param  array<array-key, mixed>  $record
     * @param  list<string>  $overridden  dotted paths that the shop has changed
     */
    public function __construct(public string $code, array $record, public array $overridden = [])
    {
        $this->data = new Record($record);
    }

    public function name(): string
    {
        return $this->data->text('name');
    }

    public function morphology(): ?Morphology
    {
        return Morphology::tryFrom($this->data->text('morphology', ''));
    }

    /** The typical value of a ranged property, or the plain number; null where the polymer has none. */
    public function typical(string $key): ?float
    {
        return is_array($this->data->of[$key] ?? null)
            ? $this->data->mayNumber("{$key}.typical")
            : $this->data->mayNumber($key);
    }

    /** A property named as the calculations name it; see MaterialInput. */
    public function property(string $name): ?float
    {
        return match ($name) {
            'density_g_cm3' => $this->typical('density_solid_g_cm3'),
            'bulk_density_g_cm3' => $this->typical('bulk_density_flake_g_cm3'),
            'absorptivity' => $this->data->mayNumber('ir.absorptivity_0_to_1'),
            'ceiling_c' => $this->ceiling(),
            'minutes_at_ceiling' => $this->minutesAtCeiling(),
            default => $this->typical($name),
        };
    }

    /** The windows of a process, or its why_not. */
    public function process(string $process): Record
    {
        return $this->data->at("process.{$process}");
    }

    public function whyNot(string $process): ?string
    {
        return $this->process($process)->mayText('why_not');
    }

    /**
     * @param  string  $doing  the process as it is spoken of
     *
     * @throws InputError with the library's reason: no temperature that is said makes up for it
     */
    public function mustBeWorkedBy(string $process, string $doing): void
    {
        $why = $this->whyNot($process);
        if ($why !== null) {
            throw new InputError('polymer', "{$this->code} has no window for {$doing}: {$why}");
        }
    }

    /** The set-point above which the polymer gives off fume or breaks down, °C. */
    public function ceiling(): ?float
    {
        return $this->data->mayNumber('degradation_c.ceiling');
    }

    /** @return list<string> */
    public function hazards(): array
    {
        return $this->data->texts('hazards');
    }

    /** Minutes that the melt stands at its ceiling before it is spent; null where nothing is known. */
    public function minutesAtCeiling(): ?float
    {
        return $this->data->mayNumber('degradation_c.minutes_at_ceiling');
    }

    /** What comes out of it when it is too hot. */
    public function breakdownProducts(): string
    {
        return $this->data->text('degradation_c.products', 'fume');
    }

    /** What must be known of its gas or flame before it is run at all; null where there is nothing of the kind. */
    public function gasWarning(): ?string
    {
        return $this->data->mayText('flame_or_gas_warning');
    }

    /**
     * Whether its fume is one that a filter for organic vapour holds: of those that boil above 65 °C (EN 14387, type A).
     * It holds no gas, acid or isocyanate, and no aldehyde that boils below.
     */
    public function givesOrganicVapour(): bool
    {
        return preg_match('/styrene|acrylonitrile|methacrylate|phenol/i', $this->breakdownProducts()) === 1;
    }

    /** No usual mask stops it. */
    public function givesFormaldehyde(): bool
    {
        return str_contains(mb_strtolower($this->breakdownProducts()), 'formaldehyde');
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
            $harm = $one->harmedBy($two->code);
            if ($harm?->severity === 'dangerous') {
                return $harm->why;
            }
        }

        return null;
    }

    /** What another does to it; null where the library knows of no harm. */
    public function harmedBy(string $code): ?Incompatible
    {
        foreach ($this->data->each('incompatible_with') as $pair) {
            if ($pair->text('code') === $code) {
                return new Incompatible($code, $pair->text('why'), $pair->text('severity'));
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
        foreach ($this->data->each('blends_ok_with') as $blend) {
            if ($blend->text('code') === $other) {
                return $blend->number('max_pct');
            }
        }

        return null;
    }

    /**
     * The melt window of a barrel process, °C: injection's, for a polymer that is only extruded that one's.
     */
    public function meltWindow(string $process = 'injection'): ?Range
    {
        return $this->process($process)->range('melt_c')
            ?? $this->process('injection')->range('melt_c')
            ?? $this->process('extrusion')->range('melt_c');
    }

    /** Hygroscopic resins must be dried through; surface moisture only needs driving off. */
    public function mustBeDried(): bool
    {
        return $this->data->mayText('drying.needed') === 'always';
    }

    /** How it is dried; null where it is not. */
    public function drying(): ?Record
    {
        return $this->data->has('drying') ? $this->data->at('drying') : null;
    }

    /** Per cent of regrind that is usual at most; null where the library has no guide. */
    public function mostRegrindPct(): ?float
    {
        return $this->data->mayNumber('regrind_max_pct_guidance.pct');
    }

    public function regrindNote(): ?string
    {
        return $this->data->mayText('regrind_max_pct_guidance.note');
    }

    /** As a part is marked with it, between the signs that ISO 11469 wants, by the symbols of ISO 1043-1. */
    public function mark(): string
    {
        $symbol = match ($this->code) {
            'HDPE' => 'PE-HD',
            'LDPE' => 'PE-LD',
            'LLDPE' => 'PE-LLD',
            'HIPS' => 'PS-HI',
            default => $this->code,
        };

        return ">{$symbol}<";
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
