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
            $polymer = $model->polymer($code, "{$side}.polymer");
            if ($polymer->morphology() === null) {
                throw new InputError("{$side}.polymer", 'is not identified: it does not go into a barrel');
            }
        }
        $route = $model->route($in->from->polymer, $in->to->polymer);
        $legs = max(1, count($route) - 1);
        $each = PurgeModel::volume($in->barrel_volume_cm3, $in->mixing, $in->residual_pct);
        $set = [];
        $mass = 0.0;
        for ($i = 0; $i < $legs; $i++) {
            $to = $route[min($i + 1, count($route) - 1)];
            $set[] = $model->setFor($route[$i], $to);
            $mass += $each * ($this->polymers->get($to)->property('density_melt_g_cm3') ?? 0.0);
        }
        $volume = $legs * $each;

        return (new PurgeResult($route, $set, $volume, $mass, $in->throughput_cm3_min === null ? null : $volume / $in->throughput_cm3_min, $in->from->polymer === $in->to->polymer ? null : $model->danger($in->from->polymer, $in->to->polymer)))
            ->explain(sprintf('%.0f cm³ (%.0f g) leave %.2g %% of the old one%s. Look at the purgings.', $volume, $mass, $in->residual_pct, count($route) > 2 ? ", over {$route[1]}" : ''));
    }
}
