<?php

declare(strict_types=1);

namespace Dithermic\Core\Changeover;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Material\PolymerLibrary;

/** Washing one material out with the next; see PurgeModel. */
#[Calc('changeover.purge', 'how much it takes to wash one material out with the next, and by which route')]
final readonly class Purge
{
    public function __construct(private PolymerLibrary $polymers)
    {
    }

    public function __invoke(PurgeInput $in): PurgeResult
    {
        $model = new PurgeModel($this->polymers);
        foreach (['from' => $in->from->polymer, 'to' => $in->to->polymer] as $side => $code) {
            if ($model->polymer($code, "{$side}.polymer")->morphology() === null) {
                throw new InputError("{$side}.polymer", 'is not identified: it does not go into a barrel');
            }
        }
        foreach ($in->available ?? [] as $i => $code) {
            $model->polymer($code, "available.{$i}");
        }
        $danger = $model->danger($in->from->polymer, $in->to->polymer);
        $route = $model->route($in->from->polymer, $in->to->polymer, $in->available);
        if ($route === null) {
            $stop = $model->noWay($in->from->polymer, $in->to->polymer, $in->available !== null);

            return (new PurgeResult(null, [], null, null, null, $stop))->explain($stop);
        }
        $each = PurgeModel::volume($in->barrel_volume_cm3, $in->mixing, $in->residual_pct);
        $volume = count($route->legs) * $each;
        $mass = $each * $route->massPerVolume();
        $minutes = $in->throughput_cm3_min === null ? null : $volume / $in->throughput_cm3_min;
        $set = array_map(static fn (PurgeLeg $leg): float => $leg->set_c, $route->legs);
        $over = array_slice($route->codes, 1, -1);
        $result = (new PurgeResult($route->codes, $set, $volume, $mass, $minutes, $danger))->explain(sprintf(
            '%.0f cm³ (%.0f g) leave %.2g %% of the old one%s. Look at the purgings.',
            $volume, $mass, $in->residual_pct, $over === [] ? '' : ', over '.implode(' and ', $over),
        ));
        foreach ($route->legs as $i => $leg) {
            $old = $route->codes[$i];
            $result->warn($leg->widened ? sprintf(
                '%s with %s at %.0f °C: outside the usual window of one of them and under the ceiling of both. Quickly, and with the air moving.',
                $old, $leg->with, $leg->set_c,
            ) : null);
        }

        return $result;
    }
}
