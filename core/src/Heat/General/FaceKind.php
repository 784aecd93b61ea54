<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\General;

enum FaceKind: string
{
    case Insulated = 'insulated';
    case Fixed = 'fixed';
    case Contact = 'contact';
    case Convection = 'convection';
    case Radiant = 'radiant';
}
