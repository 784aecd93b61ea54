<?php

declare(strict_types=1);

use App\Bench\Http\CalcController;
use App\Bench\Http\MeshController;
use App\Bench\Http\OpenApiController;
use App\Bench\Http\TaskController;
use App\Causes\Http\CaseController;
use App\Causes\Http\FlawController;
use App\Causes\Http\LearnController;
use App\Causes\Http\LessonController;
use App\Causes\Http\MachineTaughtController;
use App\Causes\Http\SampleController;
use App\Instruments\Http\AlarmController;
use App\Instruments\Http\ChannelController;
use App\Instruments\Http\IntakeController;
use App\Instruments\Http\PairingController;
use App\Instruments\Models\Pairing;
use App\Material\Http\ChargeController;
use App\Material\Http\DryingController;
use App\Material\Http\IdentificationController;
use App\Material\Http\LotController;
use App\Material\Http\MixController;
use App\Material\Http\ReviewController;
use App\Material\Http\SortingController;
use App\Material\Http\SourceController;
use App\Material\Http\TraceController;
use App\Material\Http\TransferController;
use App\People\Http\AccessController;
use App\People\Http\PersonController;
use App\People\Http\SessionController;
use App\Planning\Http\CalendarController;
use App\Planning\Http\DayController;
use App\Planning\Http\HandOverController;
use App\Planning\Http\OrderController;
use App\Runs\Http\CaptureController;
use App\Runs\Http\ChangeController;
use App\Runs\Http\FloorController;
use App\Runs\Http\LeftoverController;
use App\Runs\Http\NewsController;
use App\Runs\Http\PassportController;
use App\Runs\Http\PlanController;
use App\Runs\Http\ProcedureController;
use App\Runs\Http\ProposalController;
use App\Runs\Http\ReadingController;
use App\Runs\Http\RunController;
use App\Runs\Http\RunExportController;
use App\Runs\Http\RunLabelController;
use App\Runs\Http\RunLotController;
use App\Runs\Http\SignalController;
use App\Shop\Http\CareController;
use App\Shop\Http\FinishingController;
use App\Shop\Http\GoodsController;
use App\Shop\Http\MachineController;
use App\Shop\Http\OwnValueController;
use App\Shop\Http\PartController;
use App\Shop\Http\PictureController;
use App\Shop\Http\ProductController;
use App\Shop\Http\ShopController;
use App\Shop\Http\ShopZipController;
use App\Shop\Http\TemplateController;
use Illuminate\Support\Facades\Route;

// The sign-in itself is all that stands open.
Route::get('session', [SessionController::class, 'show']);
Route::post('session', [SessionController::class, 'store'])->middleware('throttle:sign-in');
Route::post('session/pin', [SessionController::class, 'pin'])->middleware('throttle:pin');

// An instrument that has nothing yet but the code that stands on it: what it asks for is given when a lead has scanned
// that.
Route::post('pairings', [PairingController::class, 'ask'])->middleware('throttle:pairing');

// A calendar elsewhere sends no header: its address is the key.
Route::get('calendar/{key}.ics', CalendarController::class)->where('key', '[1-9][0-9]{0,14}-[A-Za-z0-9_]{20,100}')
    ->name('calendar')->middleware(['auth:sanctum', 'active', 'ability:calendar', 'throttle:calendar']);
// A number that a row can have; all else is not here.
foreach (['source', 'product', 'person', 'token', 'screen', 'machine', 'channel', 'proposal', 'part'] as $name) {
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
        Route::get('pairings', [PairingController::class, 'index']);
        Route::post('pairings/{code}', [PairingController::class, 'pair'])->where('code', Pairing::CODE);
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

    Route::post('readings', [IntakeController::class, 'store'])->middleware('ability:*,readings');
    Route::post('signals', SignalController::class)->middleware('ability:*,signals');

    Route::middleware('ability:*,shop')->group(static function (): void {
        Route::get('floor', FloorController::class);
        Route::get('news', NewsController::class);
        Route::get('review', ReviewController::class);
        Route::get('polymers', [ShopController::class, 'polymers']);
        Route::get('polymers/{code}/overrides', [OwnValueController::class, 'index']);
        Route::post('polymers/{code}/overrides', [OwnValueController::class, 'store']);
        Route::get('processes', [ShopController::class, 'processes']);
        Route::get('machines', [ShopController::class, 'machines']);
        Route::get('machine-kinds', [MachineController::class, 'kinds']);
        Route::post('machines', [MachineController::class, 'store']);
        Route::get('machines/{machine}', [MachineController::class, 'show']);
        Route::get('machines/{machine}/fits', [MachineController::class, 'fits']);
        Route::post('machines/{machine}/facts', [MachineController::class, 'sayFacts']);
        Route::post('machines/{machine}/learnt', MachineTaughtController::class)->middleware('throttle:upload');
        Route::post('machines/{machine}/retire', [MachineController::class, 'retire']);
        Route::get('products', [ShopController::class, 'products']);
        Route::post('products', [ProductController::class, 'store']);
        Route::post('products/{product}', [ProductController::class, 'update']);
        Route::get('machines/{machine}/care', [CareController::class, 'index']);
        Route::post('machines/{machine}/care', [CareController::class, 'store']);
        Route::get('care', [CareController::class, 'due']);
        Route::post('care/{care}/done', [CareController::class, 'done'])->whereUuid('care');
        Route::post('care/{care}/give-up', [CareController::class, 'giveUp'])->whereUuid('care');
        Route::get('machines/{machine}/channels', [ChannelController::class, 'index']);
        Route::post('channels/{channel}/limits', [ChannelController::class, 'limits']);
        Route::post('channels/{channel}/calibrations', [ChannelController::class, 'calibrate']);
        Route::get('alarms', [AlarmController::class, 'index']);
        Route::get('machines/{machine}/alarms', [AlarmController::class, 'ofMachine']);
        Route::get('runs/{run}/alarms', [AlarmController::class, 'ofRun'])->whereUuid('run');
        Route::post('alarms/{alarm}/answer', [AlarmController::class, 'answer'])->whereUuid('alarm');
        Route::get('defects/{process}', [CaseController::class, 'defects'])->where('process', '[a-z_]{1,40}');
        Route::get('runs/{run}/cases', [CaseController::class, 'index'])->whereUuid('run');
        Route::post('runs/{run}/cases', [CaseController::class, 'store'])->whereUuid('run');
        Route::get('cases/{case}', [CaseController::class, 'show'])->whereUuid('case');
        Route::post('cases/{case}/entries', [CaseController::class, 'add'])->whereUuid('case');
        Route::get('runs/{run}/lessons', [LessonController::class, 'index'])->whereUuid('run');
        Route::post('runs/{run}/lessons', [LessonController::class, 'store'])->whereUuid('run');
        Route::get('changes', [ChangeController::class, 'index']);
        Route::post('changes', [ChangeController::class, 'store']);
        Route::get('changes/{change}', [ChangeController::class, 'show'])->whereUuid('change');
        Route::post('changes/{change}/entries', [ChangeController::class, 'add'])->whereUuid('change');
        Route::get('proposals', ProposalController::class);
        Route::get('day', [DayController::class, 'show']);
        Route::post('day/people', [DayController::class, 'here']);
        Route::post('day/machines', [DayController::class, 'stands']);
        Route::post('day/off', [DayController::class, 'off']);
        Route::post('day/wishes', [DayController::class, 'wish']);
        Route::post('day/supply', [DayController::class, 'supply']);
        Route::get('handover', [HandOverController::class, 'show']);
        Route::post('handover/notes', [HandOverController::class, 'note']);
        Route::get('orders', [OrderController::class, 'index']);
        Route::post('orders', [OrderController::class, 'store']);
        Route::post('orders/{order}/entries', [OrderController::class, 'say'])->whereUuid('order');
        Route::get('procedures', [ProcedureController::class, 'index']);
        Route::get('procedures/{key}.pdf', [ProcedureController::class, 'sheet'])->where('key', '[a-z_]{1,40}');
        Route::get('procedures/{key}', [ProcedureController::class, 'show'])->where('key', '[a-z_]{1,40}');
        Route::post(
            'procedures/{key}/proposals',
            [ProcedureController::class, 'propose'],
        )->where('key', '[a-z_]{1,40}');
        Route::post('procedures/{key}/proposals/{proposal}/decide', [ProcedureController::class, 'decide'])
            ->where('key', '[a-z_]{1,40}');
        Route::get('goods', [GoodsController::class, 'index']);
        Route::get('products/{product}/template.pdf', TemplateController::class);
        Route::post('products/{product}/goods', [GoodsController::class, 'store']);
        Route::post('products/{product}/shelf', [GoodsController::class, 'watch']);
        Route::get('products/{product}/finishing', [FinishingController::class, 'show']);
        Route::post('products/{product}/finishing', [FinishingController::class, 'say']);
        Route::post('products/{product}/finished', [FinishingController::class, 'finish']);
        Route::get('parts', [PartController::class, 'index']);
        Route::post('parts', [PartController::class, 'store']);
        Route::put('parts/{part}', [PartController::class, 'update']);
        Route::post('parts/{part}/movements', [PartController::class, 'move']);
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
        Route::post('transfer/shop', [ShopZipController::class, 'import'])->middleware('throttle:upload');
        Route::get(
            'transfer/{kind}.csv',
            [TransferController::class, 'export'],
        )->whereIn(
            'kind',
            [
                'sources', 'lots', 'movements', 'mixes', 'machines', 'products', 'values', 'procedures', 'setups',
                'finishing',
            ],
        );
        Route::post(
            'transfer/{kind}',
            [TransferController::class, 'import'],
        )->whereIn(
            'kind',
            [
                'sources', 'lots', 'movements', 'mixes', 'machines', 'products', 'values', 'procedures', 'setups',
                'finishing',
            ],
        )
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
        Route::post('runs', [RunController::class, 'store']);
        Route::get('runs/{run}', [RunController::class, 'show'])->whereUuid('run');
        Route::get('runs/{run}/charges', [RunController::class, 'charges'])->whereUuid('run');
        Route::get('runs/{run}/heard', [ReadingController::class, 'heard'])->whereUuid('run');
        Route::get('runs/{run}/leftovers', [LeftoverController::class, 'index'])->whereUuid('run');
        Route::post('runs/{run}/leftovers', [LeftoverController::class, 'store'])->whereUuid('run');
        Route::get('runs/{run}/capture', [CaptureController::class, 'show'])->whereUuid('run');
        Route::post('runs/{run}/capture', [CaptureController::class, 'store'])->whereUuid('run');
        Route::get('products/{product}/captures', [CaptureController::class, 'ofProduct']);
        Route::get('captures/{capture}/onto', [CaptureController::class, 'onto'])->whereUuid('capture');
        Route::get('runs/{run}/lots', [RunLotController::class, 'index'])->whereUuid('run');
        Route::post('runs/{run}/lots', [RunLotController::class, 'store'])->whereUuid('run');
        Route::get('runs/{run}/flaws', [FlawController::class, 'run'])->whereUuid('run');
        Route::post('runs/{run}/flaws', [FlawController::class, 'store'])->whereUuid('run');
        Route::get('runs/{run}/pictures', [SampleController::class, 'run'])->whereUuid('run');
        Route::post('runs/{run}/pictures', [SampleController::class, 'store'])->whereUuid('run');
        Route::get('products/{product}/samples', [SampleController::class, 'product']);
        Route::post('products/{product}/samples', [SampleController::class, 'approve']);
        Route::get('runs/{run}/rack', [RunController::class, 'rack'])->whereUuid('run');
        Route::post('runs/{run}/rack', [RunController::class, 'takeStrip'])->whereUuid('run');
        Route::get('runs/{run}/restart', [RunController::class, 'restart'])->whereUuid('run');
        Route::get('runs/{run}/tracked', [ReadingController::class, 'tracked'])->whereUuid('run');
        Route::post('runs/{run}/events', [RunController::class, 'append'])->whereUuid('run');
        Route::get('runs/{run}/passport', [PassportController::class, 'show'])->whereUuid('run');
        Route::post('runs/{run}/passport', [PassportController::class, 'store'])->whereUuid('run');
        Route::get('runs/{run}/passport.pdf', [PassportController::class, 'label'])->whereUuid('run');
        Route::get('runs/{run}/label.{format}', RunLabelController::class)->whereUuid('run')
            ->whereIn('format', ['pdf', 'svg']);
        // Long looks back, which change nothing: from the replica where the shop has one.
        Route::middleware('replica')->group(static function (): void {
            Route::get('learnt', [LearnController::class, 'index']);
            Route::get('learnt/{product}', [LearnController::class, 'show']);
            Route::get('day/more', [DayController::class, 'more']);
            Route::get(
                'lots/{lot}/history.json',
                [LotController::class, 'history'],
            )->where('lot', '[A-Za-z0-9-]{1,30}');
            Route::get('lots/{lot}/trace', [TraceController::class, 'lot'])->where('lot', '[1-9][0-9]{0,14}');
            Route::get('lots/{lot}/recall.csv', [TraceController::class, 'csv'])->where('lot', '[1-9][0-9]{0,14}');
            Route::get('runs/{run}/trace', [TraceController::class, 'run'])->whereUuid('run');
            Route::get('runs/{run}/prov.json', [TraceController::class, 'provenance'])->whereUuid('run');
            Route::get('transfer/shop.zip', [ShopZipController::class, 'export']);
            Route::get('runs', [RunController::class, 'index']);
            Route::get('runs/{run}/readings', [ReadingController::class, 'index'])->whereUuid('run');
            Route::get('products/{product}/flaws', [FlawController::class, 'product']);
            Route::get('runs/{run}.{format}', RunExportController::class)->whereUuid('run')
                ->whereIn('format', ['json', 'csv', 'pdf']);
        });
    });
});
