<?php

declare(strict_types=1);

// All else as the framework has it.
return [

    // Where requests are counted. Each answer is counted once: in the memory of its node, where the web server says so
    // (decision 43), else where everything else is kept.
    'limiter' => env('CACHE_LIMITER'),

    'stores' => ['apc' => ['driver' => 'apc']],

];
