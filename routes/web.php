<?php

declare(strict_types=1);

use App\Runs\Http\PassportController;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Facades\Vite;

// One page for every address of the application: the screens route themselves. It is the same for everybody, so it has
// no session.
// Whether the web answers at all; asked by the start script and by whatever watches a server.
Route::get(
    '/up',
    static fn (): Response => new Response("up\n", 200, ['Content-Type' => 'text/plain']),
)->withoutMiddleware('web');
// What a lead lets be seen of a part by whoever has its code.
Route::get('/made/{code}', [PassportController::class, 'page'])->where('code', '[A-Za-z0-9]{26}')
    ->withoutMiddleware('web')
    ->middleware('throttle:passport');
Route::get(
    '/{any?}',
    static fn () => view('app', ['nonce' => Vite::cspNonce()]),
)->where('any', '^(?!api/|build/|up$|sanctum/).*$')
    ->withoutMiddleware('web');
