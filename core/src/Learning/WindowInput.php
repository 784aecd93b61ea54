<?php

declare(strict_types=1);

namespace Dithermic\Core\Learning;

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\InputError;

final readonly class WindowInput implements Checked
{
    /** @param  list<WindowRun>  $runs */
    public function __construct(
        #[Field('at which settings, and what came of it', of: WindowRun::class, atMost: 2000)] public array $runs,
        #[Field('where the next one is planned', min: -1e9, max: 1e9)] public ?float $x_planned = null,
        #[Field('where the next one is planned', min: -1e9, max: 1e9)] public ?float $y_planned = null,
        #[Field('squares of the picture along each side', '', min: 4, max: 60)] public int $side = 24,
    ) {
    }

    public function check(): void
    {
        if (($this->x_planned === null) !== ($this->y_planned === null)) {
            throw new InputError(
                $this->x_planned === null ? 'x_planned' : 'y_planned',
                'is missing: say both settings, or neither',
            );
        }
    }
}
