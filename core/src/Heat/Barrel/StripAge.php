<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Barrel;

use Dithermic\Core\Calculator\Field;

/** A strip that lies on its rack, at one age. */
final readonly class StripAge
{
    public function __construct(
        #[Field('from the cut', 's')] public float $age_s,
        #[Field('', '°C')] public float $core_c,
        #[Field('one that holds as much heat throughout', '°C')] public float $mean_c,
        #[Field('of a full barrel of them', 'min')] public float $soak_min,
    ) {
    }

    /**
     * One between those that were worked out; the last of them where it is older.
     *
     * @param  non-empty-list<self>  $ages  in order
     */
    public static function at(array $ages, float $ageS): self
    {
        $before = $ages[0];
        foreach ($ages as $after) {
            if ($after->age_s >= $ageS) {
                $share = $after->age_s > $before->age_s
                    ? ($ageS - $before->age_s) / ($after->age_s - $before->age_s)
                    : 0.0;
                $between = static fn (float $a, float $b): float => $a + $share * ($b - $a);

                return new self(
                    $ageS,
                    $between($before->core_c, $after->core_c),
                    $between($before->mean_c, $after->mean_c),
                    $between($before->soak_min, $after->soak_min),
                );
            }
            $before = $after;
        }

        return new self($ageS, $before->core_c, $before->mean_c, $before->soak_min);
    }
}
