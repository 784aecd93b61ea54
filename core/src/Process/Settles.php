<?php

declare(strict_types=1);

namespace Dithermic\Core\Process;

/** What stands beside a product and settles some of what its piece is made with: a mould. */
interface Settles
{
    /** What it is called where a setting says where it comes from. */
    public function calledAs(): string;

    /** What it settles; unknown is left open. */
    public function settings(): object;
}
