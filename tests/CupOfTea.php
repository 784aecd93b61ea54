<?php

declare(strict_types=1);

namespace Tests;

use Dithermic\Core\Process\Plan;

final class CupOfTea extends Plan
{
    public function choices(): array
    {
        return [];
    }

    public function safety(): array
    {
        return ['settings' => ['set_c' => 180]];
    }

    public function picture(): array
    {
        return [];
    }
}
