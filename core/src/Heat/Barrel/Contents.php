<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Barrel;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Material\PolymerLibrary;

/**
 * What is in a barrel, and what each shot was made of, from what went in and came out (Space). `mixing` is the share of
 * the space that is well stirred: near 1 behind a screw, less behind a plunger. It says nothing of melt that sticks in
 * corners.
 */
#[Calc('barrel.contents', 'what is in the barrel, and of which lots each shot was made', size: 'events')]
final readonly class Contents
{
    public function __construct(private PolymerLibrary $polymers)
    {
    }

    public function __invoke(ContentsInput $in): ContentsResult
    {
        $density = $in->material->need('density_melt_g_cm3', $this->polymers);
        $capacity = $density * $in->barrel_volume_cm3;
        $space = new Space($capacity, $in->mixing * $capacity);
        $loads = [];
        $loadedAt = [];
        $shots = [];
        foreach ($in->events as $i => $event) {
            if ($event->kind === BarrelEventKind::Load) {
                if ($event->mass_g > $space->free() + 1e-6) {
                    throw new InputError(
                        "events.{$i}.mass_g",
                        sprintf('does not go in: %.1f g of %.1f g are free then', max(0.0, $space->free()), $capacity),
                    );
                }
                $loads[] = $event;
                $loadedAt[] = $event->at_s;
                $space->load(count($loads) - 1, $event->mass_g);
            } else {
                if ($event->mass_g > $space->held() + 1e-6) {
                    throw new InputError(
                        "events.{$i}.mass_g",
                        sprintf('is more than there is: %.1f g are in the barrel then', $space->held()),
                    );
                }
                $shots[] = $this->shot($event, $space->take($event->mass_g), $loads, $loadedAt);
            }
        }
        $contents = $space->contents();
        $held = $space->held();
        $oldest = $space->oldest($loadedAt, $in->now_s);
        $result = new ContentsResult($shots, new InBarrel($held, self::shares($contents, $loads), $oldest));

        return $result->explain($held < 1e-9 ? 'The barrel is empty.' : sprintf(
            '%.1f g are in it, %.0f %% of what it holds; the oldest has been there for %s.',
            $held,
            100 * $held / $capacity,
            $oldest >= 120 ? sprintf('%.0f min', $oldest / 60) : sprintf('%.0f s', $oldest),
        ));
    }

    /**
     * @param  array<int, float>  $out
     * @param  list<BarrelEvent>  $loads
     * @param  list<float>  $loadedAt
     */
    private function shot(BarrelEvent $event, array $out, array $loads, array $loadedAt): BarrelShot
    {
        return new BarrelShot(
            $event->at_s,
            $event->kind,
            $event->mass_g,
            self::shares($out, $loads),
            Space::meanAge($out, $loadedAt, $event->at_s),
        );
    }

    /**
     * @param  array<int, float>  $masses  by load
     * @param  list<BarrelEvent>  $loads
     * @return object of the share of each lot, so that a lot named by a number stays a name
     */
    private static function shares(array $masses, array $loads): object
    {
        $total = array_sum($masses);
        $shares = [];
        foreach ($masses as $load => $mass) {
            $lot = (string) $loads[$load]->lot;
            $shares[$lot] = ($shares[$lot] ?? 0.0) + $mass / $total;
        }

        return (object) $shares;
    }
}
