<?php

declare(strict_types=1);

namespace Dithermic\Core\Mesh;

use Dithermic\Core\Calculator\Field;

final readonly class MeasureInput
{
    public function __construct(
        #[Field('an STL file: its path at the command line, the id of an uploaded one over HTTP')] public string $file,
        #[Field('STL has no units of its own')] public LengthUnit $units = LengthUnit::Millimetre,
        #[Field('the way the part leaves the mould')] public Pull $pull = Pull::PlusZ,
        #[Field('the shape stands on the platen; false when it is sunk into it')] public bool $male = true,
    ) {
    }
}
