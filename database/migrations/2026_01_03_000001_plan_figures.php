<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * What lists say of a plan stands beside its layout, which may hold many thousand cores; composites have an outline.
 */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('plans', function (Blueprint $table): void {
            $table->unsignedInteger('composites')->default(1);
            $table->float('walk_m')->default(0);
            $table->float('minutes')->default(0);
        });
        foreach (DB::table('plans')->select('id', 'layout')->lazyById(50) as $plan) {
            $layout = json_decode($plan->layout, true);
            $layout['composites'] = array_map(
                static fn (array $composite): array => $composite + ['outline' => []],
                $layout['composites'],
            );
            DB::table('plans')
                ->where('id', $plan->id)
                ->update([
                    'layout' => json_encode($layout),
                    'composites' => count($layout['composites']),
                    'walk_m' => $layout['walk_m'],
                    'minutes' => $layout['minutes'],
                ]);
        }
    }

    public function down(): void
    {
        Schema::table('plans', static fn (Blueprint $table) => $table->dropColumn(['composites', 'walk_m', 'minutes']));
    }
};
