<?php

declare(strict_types=1);

namespace App\People\Support;

enum Role: string
{
    case Operator = 'operator';
    case Lead = 'lead';
}
