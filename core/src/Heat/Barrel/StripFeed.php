<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Barrel;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Heat\Conduction\Held;
use Dithermic\Core\Heat\Conduction\Insulated;
use Dithermic\Core\Heat\Conduction\Layer;
use Dithermic\Core\Heat\Conduction\Stack;
use Dithermic\Core\Heat\Conduction\Substance;
use Dithermic\Core\Material\PolymerLibrary;

/**
 * A strip out of an extruder, cut to the length of a shot and fed hot to another barrel: how hot it still is when it
 * goes in, and what that saves of the soak.
 *
 * It cools in still air as a long cylinder (Conduction\Stack: conduction with its heat of fusion, undercooled as it
 * freezes). A flat strip is taken as the round one with as much face for its volume. In the barrel it is soaked from
 * the even temperature that holds as much heat: heat.barrel_soak, for strips side by side that leave a fifth of the
 * bore empty, or one alone what it leaves. Left on a rack it gains something while that saves a tenth of the cold soak
 * or more.
 *
 * Valid for strips laid apart: a bundle stays hot for longer. Air that moves cools faster: give h_w_m2k.
 */
#[Calc(
    'heat.strip_feed',
    'a hot strip fed to another barrel: how hot it still is, and the soak that it saves',
    size: 'barrel_diameter_mm',
)]
final readonly class StripFeed
{
    private const CELLS = 24;

    /** of the bore, between strips side by side: an estimate */
    private const BETWEEN = 0.2;

    /** of the cold soak: less is no gain */
    private const GAINS = 0.1;

    private const LONGEST_S = 86400.0;

    /** K: nearer nobody can read it */
    private const NEAR_K = 0.5;

    /** ages that a rack is read off */
    private const AGES = 8;

    public function __construct(private PolymerLibrary $polymers)
    {
    }

    /** @throws InputError where the barrel does not melt it */
    public function __invoke(StripFeedInput $in): StripFeedResult
    {
        $cold = $this->soak($in, $in->room_c);
        $enough = $this->feedThatGains($in, $cold);
        $strip = $this->strip($in);
        $keeps = $in->melt_c < $enough ? null : $this->whenUnder($in, $enough);
        $strip->run(max(1e-9, $in->age_s));
        $mean = $this->even($in, $strip);
        $soak = $this->soak($in, $mean);
        $gain = $cold - $soak;
        $density = $in->material->need('density_g_cm3', $this->polymers);
        $length = $in->shot_g === null ? null : 1000 * $in->shot_g / ($density * $in->sectionMm2());
        $gains = $gain >= self::GAINS * $cold - 1e-9;
        $result = new StripFeedResult(
            $strip->leftSurface(),
            $strip->rightSurface(),
            $mean,
            $length,
            $soak,
            $cold,
            $gain,
            $gains,
            $keeps,
            $in->with_ages && $keeps !== null ? $this->ages($in, $keeps) : [],
        );
        $result->explain(sprintf(
            '%sAfter %.1f min its middle is at %.0f °C: %s',
            $length === null ? '' : sprintf('%.0f mm are one shot. ', $length),
            $in->age_s / 60,
            $result->core_c,
            $gains
                ? sprintf('a full barrel soaks %.1f min instead of %.1f.', $soak, $cold)
                : 'it gains nothing any more over a cold one.',
        ));

        return $result->warn($in->material->overCeiling($in->melt_c, 'The melt', $this->polymers));
    }

    /**
     * How it goes on while it lies on its rack, closer together while it is young.
     *
     * @return list<StripAge>
     */
    private function ages(StripFeedInput $in, float $keepsS): array
    {
        $strip = $this->strip($in);
        $ages = [];
        for ($i = 0; $i <= self::AGES; $i++) {
            $age = $keepsS * ($i / self::AGES) ** 2;
            if ($age > $strip->time) {
                $strip->run($age);
            }
            $even = $this->even($in, $strip);
            $ages[] = new StripAge(
                round($age, 1),
                round($strip->leftSurface(), 1),
                round($even, 1),
                round($this->soak($in, $even), 2),
            );
        }

        return $ages;
    }

    private function strip(StripFeedInput $in): Stack
    {
        return new Stack(
            [new Layer(
                Substance::polymer($in->material->thermal($this->polymers)),
                $in->radiusMm() / 1000,
                self::CELLS,
                $in->melt_c,
            )],
            new Insulated,
            new Held($in->room_c, $in->h_w_m2k),
            cylinder: true,
            stepK: 3.0,
        );
    }

    /**
     * The even temperature, on heating, that holds as much heat, °C. What froze undercooled has given off a little more
     * than melting it takes: it is never taken for colder than the room.
     */
    private function even(StripFeedInput $in, Stack $strip): float
    {
        $substance = Substance::polymer($in->material->thermal($this->polymers));

        $even = $substance->temperature($strip->enthalpy() / ($substance->density * $in->radiusMm() / 2000));

        return max($in->room_c, $even);
    }

    /** Minutes of a full barrel that is fed at a temperature. */
    private function soak(StripFeedInput $in, float $feedC): float
    {
        $fills = ($in->acrossMm() / $in->barrel_diameter_mm) ** 2;
        $barrel = new BarrelSoakInput(
            $in->material,
            $in->barrel_diameter_mm,
            $in->wall_c,
            min($feedC, $in->wall_c),
            porosity: $fills > 0.5
                ? max(0.0, 1 - $in->sectionMm2() / (M_PI / 4 * $in->barrel_diameter_mm ** 2))
                : self::BETWEEN,
        );
        $soak = (new BarrelSoak($this->polymers))($barrel);

        return $feedC >= $soak->target_c ? 0.0 : $in->soak_factor * $soak->soak_min_full;
    }

    /** The coldest feed that saves something, °C. */
    private function feedThatGains(StripFeedInput $in, float $cold): float
    {
        [$low, $high] = [$in->room_c, $in->wall_c];
        while ($high - $low > self::NEAR_K) {
            $middle = ($low + $high) / 2;
            $this->soak($in, $middle) > (1 - self::GAINS) * $cold ? $low = $middle : $high = $middle;
        }

        return $high;
    }

    /** Seconds until it holds no more heat than an even temperature does. */
    private function whenUnder(StripFeedInput $in, float $evenC): float
    {
        $when = self::LONGEST_S;
        $this->strip($in)->run(self::LONGEST_S, function (Stack $s) use ($in, $evenC, &$when): bool {
            if ($this->even($in, $s) > $evenC) {
                return false;
            }
            $when = $s->time;

            return true;
        });

        return $when;
    }
}
