<?php

declare(strict_types=1);

namespace Dithermic\Core\Diagnosis;

/** A lot as it went into a run, as far as a cause may lie in it. */
final readonly class UsedLot
{
    /**
     * @param  bool|null  $dry  as it stood then; null where nobody can know
     * @param  bool  $checked  dryness was measured or dried here with its time, not only said
     * @param  bool|null  $proven  its polymer was found by tests here; false where something else was found in it, null where
     *     neither is known
     * @param  int  $generation  how often it was shredded and melted again here
     */
    public function __construct(
        public string $code,
        public ?bool $dry,
        public bool $checked,
        public ?bool $proven,
        public int $generation,
    ) {
    }
}
