<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Extrusion;

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Charge\Profile;
use Dithermic\Core\Charge\ProfileInput;
use Dithermic\Core\Charge\ProfileResult;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Process\Ask;
use Dithermic\Core\Process\Settled;

/**
 * What is extruded, by its section: its sides as calculations ask for them, its mass, and how long the machine takes to
 * give it.
 */
final readonly class Section
{
    public function __construct(private PolymerLibrary $polymers)
    {
    }

    /** @return array{diameter_mm: float|null, width_mm: float|null, height_mm: float|null} */
    public static function sides(Settled $set): array
    {
        $round = $set->optional('diameter_mm');

        return [
            'diameter_mm' => $round,
            'width_mm' => $round === null ? $set->optional('width_mm') : null,
            'height_mm' => $round === null ? $set->optional('height_mm') : null,
        ];
    }

    /** A length of it, with what runs over. */
    public function of(PlanInput $in, Settled $set, float $lengthMm, float $overflowPct = 0.0): ProfileResult
    {
        return Ask::for(new Profile($this->polymers), ProfileInput::class, [
            'polymer' => $in->polymer,
            'length_mm' => $lengthMm,
            'overflow_pct' => $overflowPct,
            'throughput_kg_h' => $in->machine->throughput_kg_h,
        ] + self::sides($set), ['throughput_kg_h' => 'machine.throughput_kg_h']);
    }

    /**
     * Until the machine has given it, s.
     *
     * @throws InputError where the machine does not say how much it gives
     */
    public static function seconds(PlanInput $in, ProfileResult $length): float
    {
        return $length->fill_time_s ?? throw new InputError(
            'machine.throughput_kg_h',
            "{$in->machine->name} does not say how much it gives: run it for a minute into a bucket and weigh that",
        );
    }
}
