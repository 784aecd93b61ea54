<?php

declare(strict_types=1);

// What differs from the framework's own: a person of the shop is one of ours.
return [
    'providers' => [
        'users' => [
            'driver' => 'eloquent',
            'model' => App\People\Models\User::class,
        ],
    ],
];
