<?php

use App\Http\Controllers\BayFeedController;
use App\Http\Controllers\CalendarController;
use App\Http\Middleware\AfterToken;
use App\Http\Middleware\BayToken;
use App\Http\Middleware\RoomToWrite;
use Illuminate\Support\Facades\Route;

// What machines talk to: no session and no cookie, a token for one bay.
Route::middleware(['throttle:feed-address', BayToken::class, AfterToken::class])->group(function (): void {
    Route::post('bays/{bay}/shots', [BayFeedController::class, 'store'])->whereNumber('bay')->middleware(RoomToWrite::class);
    Route::get('bays/{bay}/hand', [BayFeedController::class, 'hand'])->whereNumber('bay');
});
// What calendar programs read: the address is the secret.
Route::get('feeds/{token}.ics', [CalendarController::class, 'ics'])->where('token', '[A-Za-z0-9_-]{20,100}')->middleware('throttle:feed-address');
