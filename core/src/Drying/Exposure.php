<?php

declare(strict_types=1);

namespace Dithermic\Core\Drying;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Material\PolymerLibrary;

/**
 * How long dried material may stand: the library's minutes in an open hopper at 50 % humidity, in proportion to the
 * humidity; eight times that in a closed one. A rule of thumb, on the safe side for pellets.
 */
#[Calc('dry.exposure', 'how long dried material may still stand')]
final readonly class Exposure
{
    private const CLOSED = 8.0;

    private const USE_NOW = 0.7;

    public function __construct(private PolymerLibrary $polymers)
    {
    }

    public function __invoke(ExposureInput $in): ExposureResult
    {
        $polymer = $this->polymers->get($in->polymer);
        $stood = (
            Moment::read($in->now, 'now')->getTimestamp() - Moment::read($in->dried_at, 'dried_at')->getTimestamp()
        ) / 60;
        if ($stood < 0) {
            throw new InputError('now', 'is before it was dried');
        }
        $open = $polymer->drying()?->mayNumber('open_exposure_minutes');
        if ($open === null) {
            return (new ExposureResult(null, null, 'dry'))->explain(
                "{$in->polymer} takes up no water worth counting: keep it covered against dust and dew.",
            );
        }
        $budget = $open * 50 / $in->rh_pct * ($in->hopper === Hopper::Closed ? self::CLOSED : 1.0);
        $used = $stood / $budget;
        $state = match (true) {
            $used > 1 => 'dry again', $used > self::USE_NOW => 'use now', default => 'dry',
        };

        return (new ExposureResult($budget - $stood, $used, $state))->explain(
            $used > 1
                ? sprintf('Its %.0f min are over: dry it again.', $budget)
                : sprintf('%.0f of %.0f min are left.', $budget - $stood, $budget),
        );
    }
}
