<?php

declare(strict_types=1);

namespace Dithermic\Core\Charge;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class SheetThicknessResult extends Result
{
    public function __construct(#[Field('thickness the charge gives', 'mm')] public readonly float $thickness_mm)
    {
    }
}
