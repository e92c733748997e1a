<?php

declare(strict_types=1);

use App\Http\Controllers\FollowUp\ReadCalendar;
use App\Http\Controllers\Prescribe\ReadShared;
use Illuminate\Support\Facades\Route;

/* What a grower reads: no session, no account, no cookie. */
Route::get('grower/{token}', ReadShared::class)
    ->where('token', '[A-Za-z0-9_-]+')
    ->withoutMiddleware('web');

/* What a calendar subscribes to: no session either. */
Route::get('calendar/{token}.ics', ReadCalendar::class)
    ->where('token', '[A-Za-z0-9_-]+')
    ->withoutMiddleware('web');

/* The pages are one application; a path with a dot is a file, and a missing file is a 404. */
Route::view('/{any?}', 'app')->where('any', '^(?!api(/|$)|build/)[^.]*$');
