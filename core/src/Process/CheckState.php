<?php

declare(strict_types=1);

namespace Dithermic\Core\Process;

enum CheckState: string
{
    case Ok = 'ok';
    case Warn = 'warn';
    case Block = 'block';
}
