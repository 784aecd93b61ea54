<?php

declare(strict_types=1);

namespace Dithermic\Core\Process;

use Dithermic\Core\Calculator\Field;

/** What one method of a school would give on this very plan, so that nobody has to try it to know. */
final readonly class Gives
{
    public function __construct(
        #[Field('whose method it is')] public string $school,
        #[Field('the method')] public string $choice,
        #[Field('what it would give')] public string $says,
    ) {
    }

    /**
     * @param  array<string, string>  $says  by method
     * @return list<self>
     */
    public static function each(string $school, array $says): array
    {
        return array_map(
            static fn (string $choice, string $of): self => new self($school, $choice, $of),
            array_keys($says),
            array_values($says),
        );
    }
}
