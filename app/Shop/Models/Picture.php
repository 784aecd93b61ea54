<?php

declare(strict_types=1);

namespace App\Shop\Models;

use Illuminate\Database\Eloquent\Model;

/** A photograph; it never changes. */
final class Picture extends Model
{
}
