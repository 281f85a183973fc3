<?php

use App\Http\Controllers\BayFeedController;
use App\Http\Middleware\AfterToken;
use App\Http\Middleware\BayToken;
use App\Http\Middleware\RoomToWrite;
use Illuminate\Support\Facades\Route;

// What machines talk to: no session and no cookie, a token for one bay.
Route::middleware(['throttle:feed-address', BayToken::class, AfterToken::class])->group(function (): void {
    Route::post('bays/{bay}/shots', [BayFeedController::class, 'store'])->whereNumber('bay')->middleware(RoomToWrite::class);
    Route::get('bays/{bay}/hand', [BayFeedController::class, 'hand'])->whereNumber('bay');
});
