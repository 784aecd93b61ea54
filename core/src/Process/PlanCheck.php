<?php

declare(strict_types=1);

namespace Dithermic\Core\Process;

use Dithermic\Core\Calculator\Field;

/** Whether this machine can do what is planned, with what it needs and what there is. */
final readonly class PlanCheck
{
    public function __construct(
        public string $id,
        public CheckState $state,
        public string $says,
        #[Field('in the unit of what it says', '')] public ?float $needs = null,
        #[Field('in the unit of what it says', '')] public ?float $has = null,
    ) {
    }

    /** Whether a machine goes as hot as it is set, °C; null where it does not say how hot it goes. */
    public static function setPoint(string $id, string $machine, float $setC, ?float $maxC): ?self
    {
        return $maxC === null ? null : new self(
            $id,
            $setC > $maxC ? CheckState::Block : CheckState::Ok,
            sprintf('%s goes to %.0f °C.', ucfirst($machine), $maxC),
            $setC,
            $maxC,
        );
    }

    /** Whether a mould stands what is to be made in it; null where its life is not known. */
    public static function life(string $mould, ?float $made, float $more, ?float $life): ?self
    {
        if ($life === null) {
            return null;
        }
        $left = $life - (float) $made;

        return new self(
            'mould_life',
            $more > $left ? CheckState::Warn : CheckState::Ok,
            $left <= 0
                ? sprintf('%s has made %.0f of the %.0f that it stands: look at it before every part.', $mould, $made, $life)
                : sprintf('%s is good for another %.0f; this run makes %.0f.', $mould, $left, $more),
            $more,
            max(0.0, $left),
        );
    }

    /**
     * Whether what is to go in goes on a bed or into a frame, whichever way it is turned; null where that is not known.
     *
     * @param  string  $what  goes in, to be read: the blank
     * @param  array{float, float}  $size  mm
     * @param  string  $takes  it, to be read: the frame takes
     * @param  array{?float, ?float}  $bed  mm
     */
    public static function bed(string $id, string $what, array $size, string $takes, array $bed): ?self
    {
        if ($bed[0] === null || $bed[1] === null) {
            return null;
        }
        [$long, $wide] = [max($size), min($size)];
        [$bedLong, $bedWide] = [max($bed), min($bed)];

        return new self(
            $id,
            $long <= $bedLong && $wide <= $bedWide ? CheckState::Ok : CheckState::Block,
            sprintf('%s is %.0f × %.0f mm, %s %.0f × %.0f mm.', $what, $long, $wide, $takes, $bedLong, $bedWide),
            $long > $bedLong ? $long : $wide,
            $long > $bedLong ? $bedLong : $bedWide,
        );
    }
}
