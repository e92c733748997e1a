<?php

declare(strict_types=1);

use Illuminate\Contracts\Console\Kernel;
use Illuminate\Foundation\Application;
use Illuminate\Support\Facades\DB;

/* One writer of ConcurrencyTest: reads a number and writes it back one higher, in a transaction, many times over. */
[, $file, $turns] = $argv;
putenv("DB_DATABASE={$file}");
require __DIR__.'/../../vendor/autoload.php';
/** @var Application $app */
$app = require __DIR__.'/../../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();
config(['database.connections.sqlite.database' => $file]);
for ($turn = 0; $turn < (int) $turns; $turn++) {
    DB::transaction(static function (): void {
        $n = (int) DB::table('counter')->value('n');
        DB::table('counter')->update(['n' => $n + 1]);
    });
}
