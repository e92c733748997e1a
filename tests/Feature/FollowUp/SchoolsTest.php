<?php

declare(strict_types=1);

namespace Tests\Feature\FollowUp;

use App\Models\Area;
use App\Models\Control;
use App\Models\Site;
use Illuminate\Support\Carbon;

/** Which school was right: over all programs of a team, by a rule that was written before, and never applied unasked. */
final class SchoolsTest extends FollowUpTestCase
{
    public function test_a_school_is_held_against_the_ground_and_its_factor_is_used_only_when_asked(): void
    {
        $areas = $this->nineGrounds();
        $trials = $this->api('GET', '/school-trials')->assertOk()->json();
        self::assertStringContainsString('at least 8 programs', $trials['rule']);
        $school = $trials['schools'][0];
        self::assertSame(['mehlich', 9, []], [$school['school'], $school['programs'], $school['missing']]);
        self::assertLessThan(0, $school['bias_interval'][1], 'It had expected more than came.');
        self::assertLessThan($school['error'], $school['error_with_factor']);
        self::assertSame(9, count($school['tried']));
        self::assertSame(['soil not known'], array_column($school['soils'], 'soil'));

        $before = $this->lime($areas[0]);
        $asked = [
            'school' => 'mehlich', 'factor' => $school['offered']['factor'], 'reason' => 'Nine programs of two seasons.',
            'password' => 'peat',
        ];
        $this->api('POST', '/local-factors', $asked)->assertForbidden();
        $this->actingAs($this->reviewer);
        $this->api('POST', '/local-factors', ['reason' => 'short'] + $asked)->assertStatus(422);
        $this->api('POST', '/local-factors', ['password' => 'loam'] + $asked)->assertStatus(422);
        $this->api('POST', '/local-factors', ['factor' => 0.5] + $asked)->assertStatus(409);
        $this->api('POST', '/local-factors', ['school' => 'smp'] + $asked)->assertStatus(409);
        self::assertSame($before['lb_per_acre'], $this->lime($areas[0])['lb_per_acre'], 'Nothing unasked.');
        $used = $this->api('POST', '/local-factors', $asked)->assertCreated()->json();
        $this->api('POST', '/local-factors', $asked)->assertStatus(409);
        $after = $this->lime($areas[0]);
        self::assertEqualsWithDelta($before['lb_per_acre'] / $used['factor'], $after['lb_per_acre'], 1e-6);
        self::assertStringContainsString('Local factor', implode(' ', $after['reasons']));
        $this->api('POST', '/local-factors/{factor}/end', ids: ['factor' => $used['id']])->assertOk();
        $this->api('POST', '/local-factors/{factor}/end', ids: ['factor' => $used['id']])->assertStatus(409);
        self::assertSame($before['lb_per_acre'], $this->lime($areas[0])['lb_per_acre']);
        [$stranger] = $this->team('Marsh crew', 'marsh');
        $this->actingAs($stranger);
        $this->api('GET', '/school-trials')->assertJsonCount(0, 'schools')->assertJsonCount(0, 'in_use');
    }

    public function test_programs_without_a_control_do_not_count_and_say_why(): void
    {
        $area = $this->area(use: 'corn');
        $this->round($area, '2024-10-01', '5.60', '6.10');
        $this->limed($this->signed($area, '2024-11-10'), '2024-11-20');
        $this->round($area, '2025-10-02', '6.40');
        $school = $this->api('GET', '/school-trials')->assertOk()->json('schools.0');
        self::assertSame([0, null], [$school['programs'], $school['bias']]);
        self::assertStringContainsString('There is no control', $school['left_out'][0]['why']);
        self::assertContains('0 of 8 programs answered beside a control.', $school['missing']);
    }

    /** @return array<string, mixed> */
    private function lime(Area $area): array
    {
        Carbon::setTestNow('2026-11-01 12:00:00');
        foreach ($this->api('GET', '/areas/{area}/program', ids: ['area' => $area->id])->assertOk()->json('parts.0.steps') as $step) {
            foreach ($step['lines'] as $line) {
                if ($line['key'] === 'lime' && $line['lb_per_acre'] > 0) {
                    return $line;
                }
            }
        }
        self::fail('No lime is wanted.');
    }

    /** @return list<Area> grounds that all got some 70 % of what their school had expected, in two seasons */
    private function nineGrounds(): array
    {
        $site = $this->site();
        $strip = $this->strip($site);
        foreach (['2023-10-01', '2024-10-01', '2025-10-01'] as $day) {
            $this->round($strip, $day, '5.60');
        }
        $areas = [];
        foreach (range(1, 9) as $i) {
            $areas[] = $this->ground($site, $strip, $i, $i % 2 === 0 ? 2023 : 2024);
        }

        return $areas;
    }

    private function ground(Site $site, Area $strip, int $i, int $year): Area
    {
        $area = $this->area($site, 'corn', "Sedge {$i}");
        [$ph, $buffer] = [5.5 + 0.03 * $i, 6.1 + 0.02 * $i];
        $this->round($area, "{$year}-10-01", number_format($ph, 2), number_format($buffer, 2));
        Control::query()->create([
            'area_id' => $area->id, 'created_by' => $this->technician->id, 'control_area_id' => $strip->id, 'name' => $strip->name,
            'since' => Carbon::parse("{$year}-09-01"), 'note' => '',
        ]);
        $program = $this->signed($area, "{$year}-11-10");
        $this->limed($program, "{$year}-11-20");
        $expected = $program->outlook->sized[0]->expects?->of($program->outlook->sized[0]->lbPerAcre) ?? 0.0;
        $this->round($area, ($year + 1).'-10-02', number_format($ph + 0.7 * $expected + 0.02 * ($i % 3 - 1), 2), number_format($buffer, 2));

        return $area;
    }
}
