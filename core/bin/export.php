<?php

declare(strict_types=1);

// What the screens evaluate themselves, written from the core: `php core/bin/export.php >
// resources/js/generated/units.json`.

use Dithermic\Core\Quantity\Dimension;

require __DIR__.'/../autoload.php';

echo Dimension::table();
