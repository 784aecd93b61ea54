<?php

declare(strict_types=1);

namespace Dithermic\Core\Diagnosis;

use Dithermic\Core\Calculator\Field;

final readonly class RankedCause
{
    /**
     * @param  list<EvidenceLine>  $for
     * @param  list<EvidenceLine>  $against
     * @param  list<string>  $defects
     */
    public function __construct(
        public string $id,
        public string $name,
        public string $why,
        #[Field('', '')] public float $probability,
        #[Field('', of: EvidenceLine::class)] public array $for,
        #[Field('', of: EvidenceLine::class)] public array $against,
        #[Field('that it explains', of: 'string')] public array $defects,
    ) {
    }
}
