<?php

declare(strict_types=1);

use App\Http\Controllers\AccessController;
use App\Http\Controllers\CalcController;
use App\Http\Controllers\ChargeController;
use App\Http\Controllers\DryingController;
use App\Http\Controllers\FloorController;
use App\Http\Controllers\IdentificationController;
use App\Http\Controllers\LotController;
use App\Http\Controllers\MachineController;
use App\Http\Controllers\MeshController;
use App\Http\Controllers\MixController;
use App\Http\Controllers\OpenApiController;
use App\Http\Controllers\OwnValueController;
use App\Http\Controllers\PersonController;
use App\Http\Controllers\PictureController;
use App\Http\Controllers\PlanController;
use App\Http\Controllers\ProductController;
use App\Http\Controllers\ReadingController;
use App\Http\Controllers\ReviewController;
use App\Http\Controllers\RunController;
use App\Http\Controllers\RunExportController;
use App\Http\Controllers\SessionController;
use App\Http\Controllers\ShopController;
use App\Http\Controllers\SignalController;
use App\Http\Controllers\SortingController;
use App\Http\Controllers\SourceController;
use App\Http\Controllers\TaskController;
use App\Http\Controllers\TransferController;
use Illuminate\Support\Facades\Route;

// The sign-in itself is all that stands open.
Route::get('session', [SessionController::class, 'show']);
Route::post('session', [SessionController::class, 'store'])->middleware('throttle:sign-in');
Route::post('session/pin', [SessionController::class, 'pin'])->middleware('throttle:pin');

// A number that a row can have; all else is not here.
foreach (['source', 'product', 'person', 'token', 'screen'] as $name) {
    Route::pattern($name, '[1-9][0-9]{0,14}');
}

Route::middleware(['auth:sanctum', 'active'])->group(static function (): void {
    Route::delete('session', [SessionController::class, 'destroy']);
    // People, tokens and the own person: a screen only. No token may make another.
    Route::middleware('ability:*')->group(static function (): void {
        Route::put('me/preferences', [PersonController::class, 'preferences']);
        Route::put('me/pin', [PersonController::class, 'pin'])->middleware('throttle:sign-in');
        Route::put('me/password', [PersonController::class, 'password'])->middleware('throttle:sign-in');
        Route::get('people', [PersonController::class, 'index']);
        Route::get('people/all', [PersonController::class, 'all']);
        Route::post('people', [PersonController::class, 'store']);
        Route::put('people/{person}', [PersonController::class, 'change']);
        Route::post('people/{person}/reset', [PersonController::class, 'reset']);
        Route::get('tokens', [AccessController::class, 'tokens']);
        Route::post('tokens', [AccessController::class, 'makeToken']);
        Route::delete('tokens/{token}', [AccessController::class, 'revokeToken']);
        Route::get('screens', [AccessController::class, 'screens']);
        Route::delete('screens/{screen}', [AccessController::class, 'forgetScreen']);
    });
    Route::get('openapi.json', OpenApiController::class);

    Route::get('calc', [CalcController::class, 'index'])->middleware('ability:*,calc,shop');
    Route::get('calc/{name}', [CalcController::class, 'show'])->where('name', '[a-z_.]{1,60}')
        ->middleware('ability:*,calc,shop');
    Route::post('calc/{name}', [CalcController::class, 'run'])->where('name', '[a-z_.]{1,60}')
        ->middleware('ability:*,calc');

    Route::get('tasks/{task}', [TaskController::class, 'show'])->whereUuid('task')->middleware('ability:*,calc,shop');

    Route::middleware('ability:*,calc')->group(static function (): void {
        Route::get('meshes', [MeshController::class, 'index']);
        Route::post('meshes', [MeshController::class, 'store'])->middleware('throttle:upload');
        Route::get('meshes/{mesh}/facets', [MeshController::class, 'facets'])->whereUuid('mesh');
        Route::delete('meshes/{mesh}', [MeshController::class, 'destroy'])->whereUuid('mesh');
    });

    Route::post('readings', [ReadingController::class, 'store'])->middleware('ability:*,readings');
    Route::post('signals', SignalController::class)->middleware('ability:*,signals');

    Route::middleware('ability:*,shop')->group(static function (): void {
        Route::get('floor', FloorController::class);
        Route::get('review', ReviewController::class);
        Route::get('polymers', [ShopController::class, 'polymers']);
        Route::get('polymers/{code}/overrides', [OwnValueController::class, 'index']);
        Route::post('polymers/{code}/overrides', [OwnValueController::class, 'store']);
        Route::get('processes', [ShopController::class, 'processes']);
        Route::get('machines', [ShopController::class, 'machines']);
        Route::get('machine-kinds', [MachineController::class, 'kinds']);
        Route::post('machines', [MachineController::class, 'store']);
        Route::get('machines/{machine}', [MachineController::class, 'show']);
        Route::post('machines/{machine}/facts', [MachineController::class, 'sayFacts']);
        Route::post('machines/{machine}/retire', [MachineController::class, 'retire']);
        Route::get('products', [ShopController::class, 'products']);
        Route::post('products', [ProductController::class, 'store']);
        Route::post('products/{product}', [ProductController::class, 'update']);
        Route::get('products/{product}/charge', [ShopController::class, 'charge']);
        Route::post('products/{product}/recipes', [ShopController::class, 'keepRecipe']);
        Route::get('sources', [SourceController::class, 'index']);
        Route::post('sources', [SourceController::class, 'store']);
        Route::get('sources/{source}', [SourceController::class, 'show']);
        Route::post('sources/{source}/events', [SourceController::class, 'trust']);
        Route::post('pictures', [PictureController::class, 'store'])->middleware('throttle:upload');
        Route::get('pictures/{picture}', [PictureController::class, 'show'])->whereUuid('picture');
        Route::get('lots', [LotController::class, 'index']);
        Route::post('lots', [LotController::class, 'store']);
        Route::post('lots/merge', [LotController::class, 'merge']);
        Route::get('lots/{lot}', [LotController::class, 'show'])->where('lot', '[A-Za-z0-9-]{1,30}');
        Route::post('lots/{lot}/acts', [LotController::class, 'act'])->where('lot', '[1-9][0-9]{0,14}');
        Route::get('lots/{lot}/label.{format}', [LotController::class, 'label'])->where('lot', '[A-Za-z0-9-]{1,30}')
            ->whereIn('format', ['pdf', 'svg']);
        Route::get('lots/{lot}/history.json', [LotController::class, 'history'])->where('lot', '[A-Za-z0-9-]{1,30}');
        Route::get('sorting-tests', [IdentificationController::class, 'tests']);
        Route::post('identifications', [IdentificationController::class, 'store']);
        Route::get('sortings', [SortingController::class, 'index']);
        Route::post('sortings', [SortingController::class, 'store']);
        Route::get('sortings/{sorting}', [SortingController::class, 'show'])->whereUuid('sorting');
        Route::post('sortings/{sorting}/bins', [SortingController::class, 'bin'])->whereUuid('sorting');
        Route::post('sortings/{sorting}/entries', [SortingController::class, 'entry'])->whereUuid('sorting');
        Route::post('sortings/{sorting}/close', [SortingController::class, 'close'])->whereUuid('sorting');
        Route::get('drying', [DryingController::class, 'index']);
        Route::post('drying', [DryingController::class, 'store']);
        Route::post('drying/{drying}/out', [DryingController::class, 'out'])->whereUuid('drying');
        Route::get(
            'transfer/{kind}.csv',
            [TransferController::class, 'export'],
        )->whereIn('kind', ['sources', 'lots', 'movements', 'mixes']);
        Route::post(
            'transfer/{kind}',
            [TransferController::class, 'import'],
        )->whereIn('kind', ['sources', 'lots', 'movements', 'mixes'])
            ->middleware('throttle:upload');
        Route::get('mixes', [MixController::class, 'index']);
        Route::post('mixes', [MixController::class, 'store']);
        Route::get('charges', [ChargeController::class, 'index']);
        Route::post('charges', [ChargeController::class, 'store']);
        Route::get('charges/{charge}', [ChargeController::class, 'show'])->whereUuid('charge');
        Route::post('charges/{charge}/weighings', [ChargeController::class, 'weighing'])->whereUuid('charge');
        Route::post('charges/{charge}/total', [ChargeController::class, 'total'])->whereUuid('charge');
        Route::post('charges/{charge}/finish', [ChargeController::class, 'finish'])->whereUuid('charge');
        Route::post('charges/{charge}/return', [ChargeController::class, 'giveBack'])->whereUuid('charge');
        Route::get(
            'charges/{charge}/label.{format}',
            [ChargeController::class, 'label'],
        )->whereUuid('charge')->whereIn('format', ['pdf', 'svg']);
        Route::post('plans', PlanController::class);
        Route::get('runs', [RunController::class, 'index']);
        Route::post('runs', [RunController::class, 'store']);
        Route::get('runs/{run}', [RunController::class, 'show'])->whereUuid('run');
        Route::get('runs/{run}/readings', [ReadingController::class, 'index'])->whereUuid('run');
        Route::post('runs/{run}/events', [RunController::class, 'append'])->whereUuid('run');
        Route::get('runs/{run}.{format}', RunExportController::class)->whereUuid('run')
            ->whereIn('format', ['json', 'csv', 'pdf']);
    });
});
