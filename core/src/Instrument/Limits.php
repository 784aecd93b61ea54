<?php

declare(strict_types=1);

namespace Dithermic\Core\Instrument;

use Dithermic\Core\Calculator\InputError;

/**
 * Between what a channel should stay, how quickly it may change, and how long it may be silent. Where it follows a
 * number of the run's plan, low and high are distances from that.
 */
final readonly class Limits
{
    /**
     * @param  float|null  $low  in the channel's unit; below the followed number: -5 is five under it
     * @param  float|null  $high  in the channel's unit
     * @param  string|null  $follows  a target of the run's plan, such as platen_c
     * @param  float  $delayS  so long it must be out, or in again, before that counts, s
     * @param  float|null  $silentS  so long it may say nothing, s
     * @param  float|null  $perMin  so much it may change in a minute, in the channel's unit
     *
     * @throws InputError by field
     */
    public function __construct(
        public Watched $watched = Watched::Never,
        public ?float $low = null,
        public ?float $high = null,
        public ?string $follows = null,
        public float $delayS = 10.0,
        public ?float $silentS = null,
        public ?float $perMin = null,
    ) {
        foreach (['low' => $low, 'high' => $high, 'delay_s' => $delayS, 'silent_s' => $silentS, 'per_min' => $perMin] as $field => $value) {
            if ($value !== null && ! is_finite($value)) {
                throw new InputError($field, 'must be a finite number');
            }
        }
        if ($low !== null && $high !== null && $low >= $high) {
            throw new InputError('high', 'must be over the low limit');
        }
        if ($follows !== null && ($low === null && $high === null)) {
            throw new InputError('low', 'is missing: how far under or over the plan may it be?');
        }
        if ($follows !== null && $watched === Watched::Always) {
            throw new InputError('watched', 'must be while in a run: only then there is a plan to follow');
        }
        if ($delayS < 0 || $delayS > 3600) {
            throw new InputError('delay_s', 'must be between 0 and 3600');
        }
        foreach (['silent_s' => $silentS, 'per_min' => $perMin] as $field => $value) {
            if ($value !== null && $value <= 0) {
                throw new InputError($field, 'must be over 0');
            }
        }
        $asks = $low !== null || $high !== null || $silentS !== null || $perMin !== null;
        if ($watched !== Watched::Never && ! $asks) {
            throw new InputError('watched', 'has nothing to watch: give a limit, or how long it may be silent');
        }
    }

    /**
     * Between what it should stay now; null where its plan names no such number.
     *
     * @param  array<string, mixed>  $targets  of the plan of the run that its machine is in
     */
    public function window(array $targets): ?Window
    {
        if ($this->low === null && $this->high === null) {
            return null;
        }
        if ($this->follows === null) {
            return new Window($this->low, $this->high);
        }
        $at = $targets[$this->follows] ?? null;
        if (! is_int($at) && ! is_float($at)) {
            return null;
        }

        return new Window(
            $this->low === null ? null : $at + $this->low,
            $this->high === null ? null : $at + $this->high,
        );
    }

    /** In words: "in a run: -8 to +6 K from the plan's platen_c, silent for at most 120 s". */
    public function says(string $unit): string
    {
        $with = static fn (float $v): string => rtrim("{$v} {$unit}");
        if ($this->watched === Watched::Never) {
            return 'not watched';
        }
        $follows = $this->follows !== null;
        $of = ($follows && $unit === '°C' ? 'K' : $unit).($follows ? " from the plan's {$this->follows}" : '');
        $at = static fn (float $v): string => $follows ? sprintf('%+g', $v) : (string) $v;
        $parts = array_filter([
            match (true) {
                $this->low !== null && $this->high !== null => rtrim("{$at($this->low)} to {$at($this->high)} {$of}"),
                $this->low !== null => rtrim("at least {$at($this->low)} {$of}"),
                $this->high !== null => rtrim("at most {$at($this->high)} {$of}"),
                default => null,
            },
            $this->perMin === null ? null : "at most {$with($this->perMin)} a minute",
            $this->silentS === null ? null : "silent for at most {$this->silentS} s",
        ]);

        return ($this->watched === Watched::Run ? 'in a run: ' : 'always: ').implode(', ', $parts);
    }
}
