<?php

declare(strict_types=1);

arch('the core knows no framework')->expect('Dithermic\Core')->not->toUse(['Illuminate', 'App', 'Laravel', 'Symfony']);
arch('strict types everywhere')->expect(['Dithermic\Core', 'App'])->toUseStrictTypes();
arch('no debugging left behind')->expect(['dd', 'dump', 'var_dump', 'ray'])->not->toBeUsed();
