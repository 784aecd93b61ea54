<?php

declare(strict_types=1);

namespace App\Causes\Policies;

use App\People\Policies\ShopPolicy;

/** Whoever made the run says whether it taught something. */
final class LessonSaidPolicy extends ShopPolicy
{
}
