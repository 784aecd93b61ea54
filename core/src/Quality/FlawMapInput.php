<?php

declare(strict_types=1);

namespace Dithermic\Core\Quality;

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\InputError;

final readonly class FlawMapInput implements Checked
{
    /** @param  list<FlawMark>  $marks */
    public function __construct(
        #[Field('of the part as it is drawn', 'mm', above: 0, max: 100000)] public float $length_mm,
        #[Field('', 'mm', above: 0, max: 100000)] public float $width_mm,
        #[Field('where flaws were seen', of: FlawMark::class, atLeast: 1, atMost: 1000)] public array $marks,
    ) {
    }

    public function check(): void
    {
        foreach ($this->marks as $i => $mark) {
            if ($mark->x_mm > $this->length_mm) {
                throw new InputError("marks.{$i}.x_mm", 'is outside the part: it is no longer than its length');
            }
            if ($mark->y_mm > $this->width_mm) {
                throw new InputError("marks.{$i}.y_mm", 'is outside the part: it is no wider than its width');
            }
        }
    }
}
