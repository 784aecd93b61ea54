<?php

declare(strict_types=1);

namespace Dithermic\Core\Process;

/** A machine's own numbers, worked out for another machine or mould: what they were, and what they are to be. */
final readonly class Carried
{
    /**
     * @param  array<string, float>  $values  by name, as the first machine's are named
     * @param  list<string>  $cautions
     */
    public function __construct(public array $values, public string $says, public array $cautions)
    {
    }
}
