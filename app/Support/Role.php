<?php

declare(strict_types=1);

namespace App\Support;

enum Role: string
{
    case Operator = 'operator';
    case Lead = 'lead';
}
