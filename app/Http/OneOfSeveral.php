<?php

declare(strict_types=1);

namespace App\Http;

/** A body that looks different by what it asks for. */
interface OneOfSeveral
{
    /** @return array<string, array<string, mixed>> rules of each kind, whole, by its name */
    public static function several(): array;
}
