<?php

use App\Http\Controllers\BayController;
use App\Http\Controllers\BlindController;
use App\Http\Controllers\BriefController;
use App\Http\Controllers\CompareController;
use App\Http\Controllers\ConfirmController;
use App\Http\Controllers\DecisionController;
use App\Http\Controllers\DeviceController;
use App\Http\Controllers\FinderController;
use App\Http\Controllers\FittingController;
use App\Http\Controllers\FittingFileController;
use App\Http\Controllers\HeadController;
use App\Http\Controllers\ImportController;
use App\Http\Controllers\JudgingController;
use App\Http\Controllers\LogController;
use App\Http\Controllers\PartController;
use App\Http\Controllers\PlayerController;
use App\Http\Controllers\RackController;
use App\Http\Controllers\RackFileController;
use App\Http\Controllers\SessionController;
use App\Http\Controllers\SetupController;
use App\Http\Controllers\ShotController;
use App\Http\Controllers\SleeveController;
use App\Http\Middleware\RoomToWrite;
use Illuminate\Support\Facades\Route;

// One page for the front end; everything else is JSON under /api, same session, CSRF on.
Route::view('/', 'app');

Route::prefix('api')->group(function (): void {
    Route::get('session', [SessionController::class, 'show']);
    Route::post('session', [SessionController::class, 'store'])->middleware('throttle:sign-in');
    Route::delete('session', [SessionController::class, 'destroy']);

    Route::middleware('auth')->group(function (): void {
        Route::get('players', [PlayerController::class, 'index']);
        Route::get('fittings', [FittingController::class, 'index']);
        Route::post('fittings', [FittingController::class, 'store']);

        Route::prefix('fittings/{fitting}')->middleware('can:use,fitting')->group(function (): void {
            Route::get('/', [FittingController::class, 'show']);
            Route::patch('/', [FittingController::class, 'update']);
            Route::patch('brief', [BriefController::class, 'update']);
            Route::post('brief/outlook', [BriefController::class, 'outlook']);
            Route::get('brief/changes', [BriefController::class, 'changes']);
            Route::get('bay', [BayController::class, 'show']);
            Route::post('trials', [BayController::class, 'begin']);
            Route::delete('trials', [BayController::class, 'end']);
            Route::post('visits', [BayController::class, 'visit']);
            Route::post('blind', [BlindController::class, 'begin']);
            Route::post('blind/next', [BlindController::class, 'next']);
            Route::delete('blind', [BlindController::class, 'reveal']);
            Route::get('blind/hand', [BlindController::class, 'hand']);
            Route::get('log', [LogController::class, 'index']);
            Route::post('simulate', [BayController::class, 'simulate']);
            Route::post('setups', [SetupController::class, 'store']);
            Route::post('setups/preview', [SetupController::class, 'preview']);
            Route::post('setups/balance', [SetupController::class, 'balance']);
            Route::get('shots', [ShotController::class, 'index']);
            Route::post('shots', [ShotController::class, 'store'])->middleware(RoomToWrite::class);
            Route::get('shots.csv', [ShotController::class, 'export']);
            Route::get('files', [ImportController::class, 'index']);
            Route::post('files', [ImportController::class, 'store'])->middleware(RoomToWrite::class);
            Route::get('comparison', CompareController::class);
            Route::get('judging', JudgingController::class);
            Route::get('finder', FinderController::class);
            Route::get('advice', [DecisionController::class, 'advice']);
            Route::get('decide', [DecisionController::class, 'grounds']);
            Route::post('confirm', [ConfirmController::class, 'begin']);
            Route::post('confirm/next', [ConfirmController::class, 'next']);
            Route::delete('confirm', [ConfirmController::class, 'end']);
            Route::get('file', [FittingFileController::class, 'export']);
            Route::get('decisions', [DecisionController::class, 'index']);
            Route::post('decisions', [DecisionController::class, 'store']);
        });
        Route::post('fittings/import', [FittingFileController::class, 'import'])->middleware(RoomToWrite::class);
        Route::post('decisions/{decision}/lock', [DecisionController::class, 'lock'])->can('use', 'decision');
        Route::post('decisions/{decision}/reopen', [DecisionController::class, 'reopen'])->can('use', 'decision');
        Route::post('bays', [BayController::class, 'store']);
        Route::patch('bays/{bay}', [BayController::class, 'update'])->can('use', 'bay');
        Route::post('bays/{bay}/token', [BayController::class, 'token'])->can('use', 'bay');
        Route::delete('bays/{bay}/token', [BayController::class, 'revoke'])->can('use', 'bay');
        Route::patch('trials/{trial}', [BayController::class, 'trial'])->can('use', 'trial');
        Route::post('trials/{trial}/ratings', [BayController::class, 'rate'])->can('use', 'trial');
        Route::post('log/{entry}/undo', [LogController::class, 'undo'])->can('use', 'entry');
        Route::patch('setups/{setup}/shelf', [SetupController::class, 'shelve'])->can('use', 'setup');
        Route::patch('held/{held}', [BayController::class, 'settle'])->can('use', 'held');
        Route::get('rack', RackController::class);
        Route::get('rack.json', [RackFileController::class, 'json']);
        Route::get('rack.csv', [RackFileController::class, 'csv']);
        Route::post('rack/import', [RackFileController::class, 'import']);
        Route::post('heads', [HeadController::class, 'store']);
        Route::prefix('heads/{head}')->middleware('can:use,head')->group(function (): void {
            Route::get('/', [HeadController::class, 'show']);
            Route::patch('/', [HeadController::class, 'update']);
            Route::delete('/', [HeadController::class, 'destroy']);
            Route::post('weigh', [HeadController::class, 'weigh']);
            Route::post('readings', [HeadController::class, 'read']);
            Route::post('read/{device}', [DeviceController::class, 'read']);
        });
        Route::post('devices/{device}/check', [DeviceController::class, 'check']);
        Route::post('devices/{device}/zero', [DeviceController::class, 'zero']);
        Route::post('sleeves', [SleeveController::class, 'store']);
        Route::post('sleeves/check', [SleeveController::class, 'check']);
        Route::patch('sleeves/{sleeve}', [SleeveController::class, 'update'])->can('use', 'sleeve');
        Route::delete('sleeves/{sleeve}', [SleeveController::class, 'destroy'])->can('use', 'sleeve');
        Route::post('parts', [PartController::class, 'store']);
        Route::patch('parts/{part}', [PartController::class, 'update'])->can('use', 'part');
        Route::delete('parts/{part}', [PartController::class, 'destroy'])->can('use', 'part');
        Route::patch('setups/{setup}', [SetupController::class, 'update'])->can('use', 'setup');
        Route::delete('setups/{setup}', [SetupController::class, 'destroy'])->can('use', 'setup');
        Route::patch('shots/{shot}', [ShotController::class, 'update'])->can('use', 'shot');
        Route::post('files/{file}/preview', [ImportController::class, 'preview'])->can('use', 'file');
        Route::post('files/{file}/confirm', [ImportController::class, 'confirm'])->can('use', 'file');
        Route::get('files/{file}/raw', [ImportController::class, 'raw'])->can('use', 'file');
        Route::delete('files/{file}', [ImportController::class, 'destroy'])->can('use', 'file');
    });
});
