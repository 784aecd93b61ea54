<?php

declare(strict_types=1);

namespace Dithermic\Core\Material;

/** What foreign matter is, as far as it matters to a machine. */
enum MatterKind: string
{
    case Polymer = 'polymer';
    case Metal = 'metal';
    /** stones, glass, sand: as hard on a barrel as metal, and no magnet finds it */
    case Grit = 'grit';
    /** paper, wood, cloth: chars, and its water makes bubbles */
    case Fibre = 'fibre';
}
