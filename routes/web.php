<?php

declare(strict_types=1);

use Illuminate\Support\Facades\Route;

/* The pages are one application; a path with a dot is a file, and a missing file is a 404. */
Route::view('/{any?}', 'app')->where('any', '^(?!api(/|$)|build/)[^.]*$');
