<?php

declare(strict_types=1);

namespace Dithermic\Core\Learning;

use Dithermic\Core\Calculator\Field;

/** What a run taught of one setting: how the next one would be set up. */
final readonly class Lesson
{
    public function __construct(
        #[Field('of the process')] public string $setting,
        #[Field('as the run had it; null where nobody had said it', '')] public ?float $was,
        #[Field('as the next one would have it', '')] public float $becomes,
        #[Field('done over planned, of the good ones', '')] public float $ratio,
        #[Field('good pieces that it is from', '')] public int $good,
        #[Field('one sentence')] public string $says,
    ) {
    }
}
