<?php

declare(strict_types=1);

namespace Dithermic\Core\Drying;

use DateTimeImmutable;
use Dithermic\Core\Calculator\InputError;

/** A moment as ISO 8601 writes it, with or without an offset. */
final class Moment
{
    public static function read(string $text, string $field): DateTimeImmutable
    {
        if (
            preg_match(
                '/^(\d{4})-(\d\d)-(\d\d)[T ]([01]\d|2[0-3]):[0-5]\d(:[0-5]\d(\.\d{1,6})?)?(Z|[+-]\d\d:?\d\d)?$/',
                $text,
                $part,
            ) !== 1
            || ! checkdate((int) $part[2], (int) $part[3], (int) $part[1])
        ) {
            throw new InputError($field, 'must be a moment such as 2026-11-24T07:30:00');
        }

        return new DateTimeImmutable($text);
    }

    /** In the way that `like` was written. */
    public static function write(DateTimeImmutable $moment, string $like): string
    {
        return $moment->format(preg_match('/(Z|[+-]\d\d:?\d\d)$/', $like) === 1 ? 'Y-m-d\TH:i:sP' : 'Y-m-d\TH:i:s');
    }
}
