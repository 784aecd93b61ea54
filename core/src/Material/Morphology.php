<?php

declare(strict_types=1);

namespace Dithermic\Core\Material;

enum Morphology: string
{
    case SemiCrystalline = 'semi-crystalline';
    case Amorphous = 'amorphous';
}
