<?php

declare(strict_types=1);

use Illuminate\Support\Facades\Route;
use Illuminate\Support\Facades\Vite;

// One page for every address of the application: the screens route themselves. It is the same for everybody, so it has no session.
Route::get('/{any?}', static fn () => view('app', ['nonce' => Vite::cspNonce()]))->where('any', '^(?!api/|build/|up$|sanctum/).*$')->withoutMiddleware('web');
