<?php

declare(strict_types=1);

namespace Dithermic\Core\Care;

enum CareState: string
{
    case Ok = 'ok';
    case Soon = 'soon';
    case Due = 'due';
}
