<?php

declare(strict_types=1);

namespace Dithermic\Core\Drying;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Data\Record;
use Dithermic\Core\Material\Morphology;
use Dithermic\Core\Material\Polymer;
use Dithermic\Core\Material\PolymerLibrary;

/**
 * Drying hours: the library's typical at its typical air, twice for each 10 K colder and half for each 10 K hotter (the
 * usual rule for diffusion and vapour pressure together), held within the library's least and most. Flake takes 0.8 of
 * it, being thinner than pellets, but for PC, PET and polyamides, which a trace of water splits. Air colder than the
 * library's least dries nothing through in any time worth naming: then there are no hours. A sheet must keep its shape:
 * at most 15 K under where it softens. The shop's own hours go before the library's.
 */
#[Calc('dry.plan', 'how long to dry, when it is ready, when to start')]
final readonly class Plan
{
    private const FLAKE = 0.8;

    private const NEVER_SHORTER = ['PC', 'PET', 'PA6', 'PA66'];

    private const DOUBLES_EVERY_K = 10.0;

    /** a sheet softens under its own weight nearer to tg than this, K */
    private const SHEET_UNDER_TG_K = 15.0;

    private const SHEET_MOST_C = ['PET' => 65.0, 'PETG' => 65.0];

    public function __construct(private PolymerLibrary $polymers)
    {
    }

    public function __invoke(PlanInput $in): PlanResult
    {
        $polymer = $this->polymers->get($in->polymer);
        $start = Moment::read($in->start, 'start');
        $wanted = $in->wanted_at === null ? null : Moment::read($in->wanted_at, 'wanted_at');
        $drying = $polymer->drying() ?? throw new InputError(
            'polymer',
            "{$in->polymer} is not dried here: ".($polymer->whyNot('injection') ?? 'the library has no drying for it'),
        );
        $needed = $drying->text('needed');
        if ($needed === 'surface moisture only' && $in->form !== Form::Flake && $in->own_hours === null) {
            $because = "{$in->polymer} takes up no water; only washed flake needs its surface dried.";
            $this->air($in, $polymer, $drying);

            return (new PlanResult(
                $needed,
                0.0,
                $in->start,
                $in->wanted_at,
                null,
                null,
                $because,
                'library',
            ))->explain($because);
        }
        $air = $this->air($in, $polymer, $drying);
        $origin = $in->own_hours !== null || ($in->air_c === null && $in->own_air_c !== null) ? 'your rule' : 'library';
        $hours = $this->hours($in, $drying, $air);
        if ($hours === null) {
            $because = sprintf(
                'Air of %.0f °C does not dry %s%s: it takes at least %.0f °C.',
                $air,
                $in->polymer,
                $in->form === Form::Sheet ? ' sheet' : '',
                $drying->number('air_c.min'),
            ).(
                $in->form === Form::Sheet ? ' A sheet loses its shape there: keep it wrapped, or take one that is.' : ''
            );

            return (new PlanResult(
                $needed,
                null,
                null,
                null,
                $air,
                $drying->text('dryer', ''),
                $because,
                $origin,
            ))->explain($because)->warn($because);
        }
        $seconds = (int) round(3600 * $hours);
        $because = match (true) {
            $needed === 'surface moisture only' => 'Washed flake carries water on its surface: it makes bubbles.',
            $needed === 'recommended' => 'It takes up a little water; dried, it gives a better surface.',
            default => 'It takes up water, which splits it and makes bubbles when hot.',
        };
        $ready = $start->modify("+{$seconds} seconds");
        $startBy = $wanted === null
            ? null
            : Moment::write($wanted->modify("-{$seconds} seconds"), (string) $in->wanted_at);

        return (new PlanResult(
            $needed,
            $hours,
            Moment::write($ready, $in->start),
            $startBy,
            $air,
            $drying->text('dryer', ''),
            $because,
            $origin,
        ))
            ->explain(sprintf(
                '%.1f h at %.0f °C, %s%s. %s',
                $hours,
                $air,
                $drying->text('dryer', ''),
                $origin === 'library' ? '' : ', by your rule',
                $because,
            ))
            ->warn($wanted !== null && $ready > $wanted ? 'It is not dry by then: start earlier.' : null)
            ->warn(
                $in->polymer === 'PET' && $in->form !== Form::Sheet
                    ? 'Crystallise it first, stirred, before it is over 100 °C: amorphous PET sticks together in the dryer.'
                    : null,
            )
            ->warn(
                $air < $drying->number('air_c.min')
                    ? sprintf(
                        'Colder than the library\'s least (%.0f °C): your rule answers for it.',
                        $drying->number('air_c.min'),
                    )
                    : null,
            );
    }

    /**
     * The air to dry with, °C.
     */
    private function air(PlanInput $in, Polymer $polymer, Record $drying): float
    {
        $most = $drying->number('air_c.max');
        $softens = $polymer->property('tm_c') ?? $polymer->property('tg_c');
        $what = $in->polymer;
        if ($in->form === Form::Sheet) {
            $tg = $polymer->property('tg_c');
            $glassy = $polymer->morphology() === Morphology::Amorphous
                || isset(self::SHEET_MOST_C[$polymer->code])
                || $polymer->code === 'PLA';
            $most = min(
                $most,
                self::SHEET_MOST_C[$polymer->code] ?? INF,
                $glassy && $tg !== null ? $tg - self::SHEET_UNDER_TG_K : INF,
            );
            $what .= ' sheet';
        }
        $field = $in->air_c === null && $in->own_air_c !== null ? 'own_air_c' : 'air_c';
        $air = $in->air_c ?? $in->own_air_c ?? min($drying->number('air_c.typical'), $most);
        if ($air > $most || ($softens !== null && $air >= $softens)) {
            throw new InputError(
                $field,
                sprintf(
                    '%.0f °C is too hot for %s: it %s. At most %.0f °C',
                    $air,
                    $what,
                    $in->form === Form::Sheet ? 'loses its shape' : 'sticks together',
                    $most,
                ),
            );
        }

        return $air;
    }

    /**
     * Null when this air does not dry it.
     */
    private function hours(PlanInput $in, Record $drying, float $air): ?float
    {
        $ownAir = $in->own_air_c ?? $drying->number('air_c.typical');
        if (
            $in->own_hours !== null
            && $air >= $ownAir
            && ($in->own_air_c !== null || $air >= $drying->number('air_c.min'))
        ) {
            // Hotter than the rule's own air is only on the safe side: the rule stands as it is.
            return $in->own_hours;
        }
        if ($air < $drying->number('air_c.min')) {
            return null;
        }
        $usual = $in->own_hours ?? $drying->number('hours.typical');
        $at = $in->own_hours === null ? $drying->number('air_c.typical') : $ownAir;
        $thinner = $in->form === Form::Flake && ! in_array($in->polymer, self::NEVER_SHORTER, true) ? self::FLAKE : 1.0;
        $hours = $usual * 2 ** (($at - $air) / self::DOUBLES_EVERY_K) * $thinner;

        return max(
            $drying->number('hours.min'),
            min(max($drying->number('hours.max'), $in->own_hours ?? 0.0), $hours),
        );
    }
}
