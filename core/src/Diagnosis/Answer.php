<?php

declare(strict_types=1);

namespace Dithermic\Core\Diagnosis;

/** To a question that is worded so that yes supports its cause. */
enum Answer: string
{
    case Yes = 'yes';
    case No = 'no';
    case Unknown = 'unknown';

    public function ratio(): float
    {
        return match ($this) {
            self::Yes => 3.0,
            self::No => 0.4,
            self::Unknown => 1.0,
        };
    }

    /**
     * How likely this answer is when the cause of the question is the one, and when it is not: of the two ratios above
     * and because yes and no are all there is.
     *
     * @return array{float, float}
     */
    public function likelihood(): array
    {
        [$yes, $no] = [self::Yes->ratio(), self::No->ratio()];
        $else = (1 - $no) / ($yes - $no);

        return match ($this) {
            self::Yes => [$yes * $else, $else],
            self::No => [1 - $yes * $else, 1 - $else],
            self::Unknown => [1.0, 1.0],
        };
    }
}
