<?php

declare(strict_types=1);

use App\Http\Controllers\CalcController;
use App\Http\Controllers\FloorController;
use App\Http\Controllers\LotController;
use App\Http\Controllers\MeshController;
use App\Http\Controllers\OpenApiController;
use App\Http\Controllers\PersonController;
use App\Http\Controllers\PlanController;
use App\Http\Controllers\ReadingController;
use App\Http\Controllers\RunController;
use App\Http\Controllers\RunExportController;
use App\Http\Controllers\SessionController;
use App\Http\Controllers\ShopController;
use Illuminate\Support\Facades\Route;

// The sign-in itself is all that stands open.
Route::get('session', [SessionController::class, 'show']);
Route::post('session', [SessionController::class, 'store'])->middleware('throttle:sign-in');
Route::post('session/pin', [SessionController::class, 'pin'])->middleware('throttle:pin');

Route::middleware('auth:sanctum')->group(static function (): void {
    Route::delete('session', [SessionController::class, 'destroy']);
    Route::put('me/preferences', [PersonController::class, 'preferences']);
    Route::put('me/pin', [PersonController::class, 'pin'])->middleware('throttle:sign-in');
    Route::get('openapi.json', OpenApiController::class);
    Route::get('people', [PersonController::class, 'index']);
    Route::post('tokens', [PersonController::class, 'token']);

    Route::get('calc', [CalcController::class, 'index']);
    Route::get('calc/{name}', [CalcController::class, 'show'])->where('name', '[a-z_.]+');
    Route::post('calc/{name}', [CalcController::class, 'run'])->where('name', '[a-z_.]+')->middleware('ability:*,calc');

    Route::middleware('ability:*,calc')->group(static function (): void {
        Route::get('meshes', [MeshController::class, 'index']);
        Route::post('meshes', [MeshController::class, 'store'])->middleware('throttle:upload');
        Route::get('meshes/{mesh}/facets', [MeshController::class, 'facets'])->whereUuid('mesh');
        Route::delete('meshes/{mesh}', [MeshController::class, 'destroy'])->whereUuid('mesh');
    });

    Route::post('readings', [ReadingController::class, 'store'])->middleware('ability:*,readings');

    Route::middleware('ability:*,shop')->group(static function (): void {
        Route::get('floor', FloorController::class);
        Route::get('polymers', [ShopController::class, 'polymers']);
        Route::post('polymers/{code}/overrides', [ShopController::class, 'override']);
        Route::get('machines', [ShopController::class, 'machines']);
        Route::get('products', [ShopController::class, 'products']);
        Route::post('products/{product}/recipes', [ShopController::class, 'keepRecipe']);
        Route::get('sources', [ShopController::class, 'sources']);
        Route::get('lots', [LotController::class, 'index']);
        Route::get('lots/{lot}', [LotController::class, 'show']);
        Route::post('plans/press', PlanController::class);
        Route::get('runs', [RunController::class, 'index']);
        Route::post('runs', [RunController::class, 'store']);
        Route::get('runs/{run}', [RunController::class, 'show'])->whereUuid('run');
        Route::get('runs/{run}/readings', [ReadingController::class, 'index'])->whereUuid('run');
        Route::post('runs/{run}/events', [RunController::class, 'append'])->whereUuid('run');
        Route::get('runs/{run}.{format}', RunExportController::class)->whereUuid('run')->whereIn('format', ['json', 'csv', 'pdf']);
    });
});
