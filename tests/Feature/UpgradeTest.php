<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Plans\SavePlan;
use Illuminate\Support\Facades\DB;

/** What an older version stored is still there, and whole, after an upgrade. */
final class UpgradeTest extends ApiTestCase
{
    public function test_plans_saved_before_composites_had_an_outline(): void
    {
        $plan = app(SavePlan::class)->new($this->area(), $this->technician, ['cell_acres' => 1.5] + self::SPEC)->refresh();
        $migration = require database_path('migrations/2026_01_03_000001_plan_figures.php');
        $migration->down();
        $layout = $plan->layout;
        foreach (array_keys($layout['composites']) as $i) {
            unset($layout['composites'][$i]['outline']);
        }
        DB::table('plans')->where('id', $plan->id)->update(['layout' => json_encode($layout)]);
        $migration->up();

        $after = $this->api('GET', '/plans/{plan}', ids: ['plan' => $plan->id])->assertOk();
        self::assertSame($plan->layout['cores'], $after->json('layout.cores'));
        self::assertSame([[]], array_unique(array_column($after->json('layout.composites'), 'outline'), SORT_REGULAR));
        $line = $this->api('GET', '/plans', query: ['site_id' => $plan->area->site_id])->json('0');
        self::assertEquals([$plan->composites, $plan->walk_m, $plan->minutes], [$line['composites'], $line['walk_m'], $line['minutes']]);
        self::assertGreaterThan(1, $line['composites']);
    }
}
