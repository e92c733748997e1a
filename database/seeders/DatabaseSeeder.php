<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Database\AllOrNothing;
use Illuminate\Database\Seeder;
use Illuminate\Support\Facades\DB;

/** The demo, whole or not at all: a first set-up that is cut off loads it the next time. */
final class DatabaseSeeder extends Seeder
{
    public function run(): void
    {
        if (DB::table('teams')->exists()) {
            return;
        }
        AllOrNothing::of(fn () => $this->call(DemoSeeder::class));
    }
}
