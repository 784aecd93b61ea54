<?php

declare(strict_types=1);

use Illuminate\Cookie\Middleware\EncryptCookies;
use Illuminate\Foundation\Http\Middleware\ValidateCsrfToken;
use Laravel\Sanctum\Http\Middleware\AuthenticateSession;
use Laravel\Sanctum\Sanctum;

return [
    // The screens are served by this same host, whatever its name and port; everything else needs a token.
    'stateful' => explode(
        ',',
        (string) env(
            'SANCTUM_STATEFUL_DOMAINS',
            Sanctum::currentApplicationUrlWithPort().','.Sanctum::currentRequestHost(),
        ),
    ),
    'guard' => ['web'],
    'expiration' => null,
    'token_prefix' => 'dith_',
    'middleware' => [
        'authenticate_session' => AuthenticateSession::class,
        'encrypt_cookies' => EncryptCookies::class,
        'validate_csrf_token' => ValidateCsrfToken::class,
    ],
];
