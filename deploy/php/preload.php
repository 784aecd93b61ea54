<?php

declare(strict_types=1);

// What answers are made of, read and linked once as php-fpm starts: some seven hundred files that each request would
// otherwise look up anew. What cannot be linked (it extends a package that is not installed) is left to be looked up.

const PARTS = [
    'App\\',
    'Carbon\\',
    'Dithermic\\Core\\',
    'Illuminate\\',
    'Laravel\\Sanctum\\',
    'Monolog\\',
    'Psr\\',
    'Ramsey\\Uuid\\',
    'Symfony\\Component\\ErrorHandler\\',
    'Symfony\\Component\\HttpFoundation\\',
    'Symfony\\Component\\HttpKernel\\Exception\\',
    'Symfony\\Component\\Routing\\',
    'Symfony\\Component\\Translation\\',
];

/** not asked over the web, or made for packages that are not here */
const NOT_ASKED = '/\\\\(Console|DependencyInjection|Doctrine|Handler|Loader|Migrations|Test|Testing|ExpressionLanguageProvider)(\\\\|$)/';

$vendor = dirname(__DIR__, 2).'/vendor';
require $vendor.'/autoload.php';
foreach (array_keys(require $vendor.'/composer/autoload_classmap.php') as $class) {
    $wanted = array_filter(PARTS, static fn (string $part): bool => str_starts_with($class, $part));
    if ($wanted === [] || preg_match(NOT_ASKED, $class) === 1) {
        continue;
    }
    try {
        class_exists($class);
    } catch (Throwable) {
        continue;
    }
}
