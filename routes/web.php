<?php

use App\Http\Controllers\CompareController;
use App\Http\Controllers\DecisionController;
use App\Http\Controllers\FittingController;
use App\Http\Controllers\ImportController;
use App\Http\Controllers\PlayerController;
use App\Http\Controllers\SessionController;
use App\Http\Controllers\SetupController;
use App\Http\Controllers\ShotController;
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
            Route::post('setups', [SetupController::class, 'store']);
            Route::get('shots', [ShotController::class, 'index']);
            Route::post('shots', [ShotController::class, 'store']);
            Route::get('shots.csv', [ShotController::class, 'export']);
            Route::get('files', [ImportController::class, 'index']);
            Route::post('files', [ImportController::class, 'store']);
            Route::get('comparison', CompareController::class);
            Route::get('advice', [DecisionController::class, 'advice']);
            Route::get('decisions', [DecisionController::class, 'index']);
            Route::post('decisions', [DecisionController::class, 'store']);
        });
        Route::patch('setups/{setup}', [SetupController::class, 'update'])->can('use', 'setup');
        Route::delete('setups/{setup}', [SetupController::class, 'destroy'])->can('use', 'setup');
        Route::patch('shots/{shot}', [ShotController::class, 'update'])->can('use', 'shot');
        Route::post('files/{file}/preview', [ImportController::class, 'preview'])->can('use', 'file');
        Route::post('files/{file}/confirm', [ImportController::class, 'confirm'])->can('use', 'file');
        Route::get('files/{file}/raw', [ImportController::class, 'raw'])->can('use', 'file');
        Route::delete('files/{file}', [ImportController::class, 'destroy'])->can('use', 'file');
    });
});
