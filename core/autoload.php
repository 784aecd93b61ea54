<?php

declare(strict_types=1);

// The core stands alone: `bin/dithermic calc` works on a clone with no vendor folder.
spl_autoload_register(static function (string $class): void {
    if (str_starts_with($class, 'Dithermic\\Core\\')) {
        $file = __DIR__.'/src/'.strtr(substr($class, 15), '\\', '/').'.php';
        if (is_file($file)) {
            require $file;
        }
    }
});
