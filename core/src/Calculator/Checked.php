<?php

declare(strict_types=1);

namespace Dithermic\Core\Calculator;

/** An input whose fields also have to agree with each other. */
interface Checked
{
    /** @throws InputError naming the field, relative to this input */
    public function check(): void;
}
