<?php

declare(strict_types=1);

namespace Tests\Feature\Reports;

use App\Models\CheckSoil;
use App\Models\Portion;

/** Every reading of an analyte side by side, and check soils on their charts. */
final class SideBySideTest extends ReportTestCase
{
    /**
     * The kit that read 5.5 where the lab found 6.1, on ground for a crop that wants less than 5.5 (common practice).
     */
    public function test_a_kit_and_a_lab_that_send_to_two_actions_are_shown_as_two_answers(): void
    {
        $area = $this->ground('Heath piece');
        $area->update(['use' => 'blueberry']);
        [$apart, $close, $broken] = [$this->sample($area), $this->sample($area), $this->sample($area)];
        $this->read($apart, 'kit-ph', '5.0');
        $this->read($apart, 'lab-ph', '6.10');
        $this->read($close, 'lab-ph', '5.45');
        $this->read($broken, 'lab-ph', '4.80');
        $this->read($broken, 'kit-ph', '7.0', ['spilled']);
        $rows = array_column(
            $this->api('GET', '/side-by-side', query: ['analyte' => 'ph'])->assertOk()->json('rows'),
            null,
            'code',
        );

        self::assertSame(
            ['differ', 'close', 'same'],
            [$rows[$apart->code]['state'], $rows[$close->code]['state'], $rows[$broken->code]['state']],
        );
        self::assertEquals([4.0, 5.5], $rows[$apart->code]['limits']);
        $marks = array_column($rows[$close->code]['marks'], null, 'said');
        self::assertEqualsWithDelta(
            [5.33, 5.57],
            [$marks['number']['from'], $marks['number']['to']],
            1e-9,
            'the stated 0.12 of the lab',
        );
        self::assertSame([true, [1, 2]], [$marks['number']['close'], $marks['number']['calls']]);
        self::assertSame(
            ['reagent spilled'],
            array_values(
                array_filter($rows[$broken->code]['marks'], static fn (array $mark): bool => $mark['said'] === 'band'),
            )[0]['left_out'],
        );
    }

    public function test_labs_stand_beside_labs_by_the_same_extractant_alone_and_limits_speak_of_their_own(): void
    {
        $other = $this->lab('Alder Laboratory');
        [$first, $second, $third] = [[], [], []];
        foreach (range(0, 5) as $i) {
            $sample = $this->sample($this->ground("Strip {$i}"));
            $first[] = $this->portionOf($sample).','.(5.5 + 0.2 * $i).','.(20 + $i);
            $b = Portion::query()->create([
                'sample_id' => $sample->id,
                'site_id' => $sample->site_id,
                'kind' => 'lab_b',
                'code' => "RP26-5{$i}M-X",
            ]);
            $second[] = "{$b->code},".(5.6 + 0.2 * $i).','.(40 + $i);
        }
        $this->take("sample,pH water,P Mehlich-3 (ppm)\n".implode("\n", $first)."\n")->assertCreated();
        $this->take("sample,pH water,P Olsen (ppm)\n".implode("\n", $second)."\n", [], $other)->assertCreated();

        $ph = $this->api('GET', '/side-by-side', query: ['analyte' => 'ph'])->assertOk();
        self::assertCount(1, $ph->json('labs'));
        self::assertSame(6, $ph->json('labs.0.n'));
        self::assertEqualsWithDelta(0.1, $ph->json('labs.0.mean'), 1e-9);
        $p = $this->api('GET', '/side-by-side', query: ['analyte' => 'p'])->assertOk();
        self::assertSame([], $p->json('labs'), 'two extractants are never one series');
        self::assertSame(
            ['mehlich-3' => true, 'olsen' => false],
            array_column($p->json('series'), 'limits_hold', 'extractant'),
        );
        self::assertCount(2, $p->json('rows.0.marks'));
        self::assertSame('ph', $this->api('GET', '/side-by-side')->json('analyte'));
    }

    public function test_censored_results_are_intervals_and_words_are_shown_without_a_place(): void
    {
        [$below, $words] = [$this->code(), $this->code()];
        $this->take("sample,P Mehlich-3 (ppm)\n{$below},<5\n{$words},Low\n{$this->code()},12\n")->assertCreated();
        $rows = $this->api('GET', '/side-by-side', query: ['analyte' => 'p'])->assertOk()->json('rows');
        $marks = array_merge(...array_column($rows, 'marks'));
        $said = array_column($marks, null, 'said');
        self::assertSame([null, 5], [$said['below']['from'], $said['below']['to']]);
        self::assertSame(
            [null, null, 'Low'],
            [$said['rating']['from'], $said['rating']['to'], trim(str_replace('ppm', '', $said['rating']['shown']))],
        );
        $this->api('GET', '/side-by-side', query: ['analyte' => 'p; drop'])->assertStatus(422);
        self::assertSame([], $this->api('GET', '/side-by-side', query: ['analyte' => 'zn'])->assertOk()->json('rows'));
    }

    public function test_a_check_soil_is_charted_and_every_portion_of_a_report_is_asked_about(): void
    {
        $soil = CheckSoil::query()->create([
            'name' => 'Barn loess',
            'known' => ['ph' => ['value' => 6.2, 'uncertainty' => 0.1]],
            'note' => '',
        ]);
        $codes = array_map(
            fn (int $n): string => Portion::query()->create([
                'check_soil_id' => $soil->id,
                'kind' => 'check',
                'code' => "RP26-{$n}L-Y",
                'number' => $n,
                'site_id' => $this->fen->id,
                'year' => 2026,
            ])->code,
            [81, 82, 83],
        );
        $report = $this->take(
            "sample,pH water\n{$codes[0]},6.60\n{$codes[1]},6.21\n{$codes[2]},6.19\n",
        )->assertCreated();
        self::assertSame(['check'], array_column($report->json('asked'), 'kind'));
        self::assertStringContainsString(
            $codes[0],
            $report->json('asked.0.words'),
            'the first portion, not the last alone',
        );

        $chart = $this->api('GET', '/check-charts')->assertOk()->json('0');
        $sigma = hypot(0.1, 0.12) / 2;
        self::assertEqualsWithDelta(
            [6.2, 6.2 - 3 * $sigma, 6.2 + 3 * $sigma],
            [$chart['centre'], $chart['lower'], $chart['upper']],
            1e-9,
        );
        self::assertEqualsWithDelta([0.39, 0.02], array_slice(array_column($chart['points'], 'range'), 1), 1e-9);
        self::assertSame(
            [true, false, false],
            array_map(static fn (array $point): bool => $point['signal'] !== null, $chart['points']),
        );
        [$stranger] = $this->team('Bog crew', 'bog');
        self::assertSame([], $this->actingAs($stranger)->api('GET', '/check-charts')->json());
    }

    public function test_progress_is_told_to_the_team_alone_and_is_gone_when_the_file_is_taken(): void
    {
        $text = "sample,pH water\n{$this->code()},6.1\n";
        $sha256 = $this->preview($text)->assertOk()->json('sha256');
        self::assertSame(hash('sha256', $text), $sha256);
        $this->actingAs($this->technician);
        app(\App\Actions\Reports\ReportProgress::class)->tell($sha256, 'storing', 1000, 5000);
        $ask = fn () => $this->api('GET', '/reports/progress', query: ['sha256' => $sha256]);
        $ask()
            ->assertOk()
            ->assertExactJson(['stage' => 'storing', 'done' => 1000, 'of' => 5000]);
        $this->take($text)->assertCreated();
        $ask()->assertOk()->assertJsonPath('stage', 'none');
        $this->api('GET', '/reports/progress', query: ['sha256' => 'x'])->assertStatus(422);
    }

    public function test_a_colour_between_two_bands_spans_both_and_an_area_can_be_looked_at_alone(): void
    {
        [$here, $there] = [$this->ground('Sedge piece'), $this->ground('Heath piece')];
        [$one, $other] = [$this->sample($here), $this->sample($there)];
        $this->read($one, 'kit-ph', '5.5');
        \App\Models\Reading::query()
            ->latest('id')
            ->firstOrFail()
            ->corrected(['between' => '6.0']);
        $this->read($other, 'lab-ph', '7.10');
        $whole = $this->api('GET', '/side-by-side', query: ['analyte' => 'ph'])->assertOk();
        $rows = array_column($whole->json('rows'), null, 'code');
        self::assertEqualsWithDelta(
            [5.25, 6.25, '5.5 to 6.0'],
            [
                $rows[$one->code]['marks'][0]['from'],
                $rows[$one->code]['marks'][0]['to'],
                $rows[$one->code]['marks'][0]['shown'],
            ],
            1e-9,
        );
        self::assertSame(
            [true, 'close', 'same'],
            [$rows[$one->code]['marks'][0]['close'], $rows[$one->code]['state'], $rows[$other->code]['state']],
        );
        self::assertSame(
            [$other->code],
            array_column(
                $this->api('GET', '/side-by-side', query: ['analyte' => 'ph', 'area' => $there->id])->json('rows'),
                'code',
            ),
        );
        [$stranger] = $this->team('Bog crew', 'bog');
        self::assertSame(
            [],
            $this->actingAs($stranger)
                ->api('GET', '/side-by-side', query: ['analyte' => 'ph'])
                ->assertOk()
                ->json('rows'),
        );
        $this->api('GET', '/side-by-side', query: ['area' => 'all'])->assertStatus(422);
    }

    public function test_a_pen_that_was_read_twice_often_enough_brings_its_own_uncertainty(): void
    {
        $pen = \App\Models\TestMethod::query()->create([
            'code' => 'pen',
            'name' => 'Pen',
            'analyte' => 'ph',
            'workplace' => 'bench',
            'school' => null,
            'uncertainty' => null,
            'lot' => '',
            'bands' => null,
        ]);
        $area = $this->ground('Sedge piece');
        $series = fn (): array => array_column(
            $this->api('GET', '/side-by-side', query: ['analyte' => 'ph'])->json('series'),
            null,
            'name',
        )['Pen'];
        foreach (range(1, 5) as $n) {
            $sample = $this->sample($area);
            foreach ([6.0, 6.2] as $value) {
                \App\Models\Reading::query()->create([
                    'sample_id' => $sample->id,
                    'portion_id' => $sample->portions()->where('kind', 'bench')->valueOrFail('id'),
                    'method_id' => $pen->id,
                    'created_by' => $this->technician->id,
                    'value' => $value,
                    'band' => null,
                    'as_reported' => (string) $value,
                    'read_on' => '2026-09-05',
                    'reader' => 'Ada Fenwright',
                    'flags' => [],
                    'note' => '',
                    'lot' => '',
                ]);
            }
            self::assertSame($n < 5 ? 'unknown' : 'repeats', $series()['uncertainty_from']);
        }
        // Pairs 0.2 apart: a standard deviation of 0.2 / √2, twice that for 95 %.
        self::assertEqualsWithDelta((2 * 0.2) / sqrt(2), $series()['uncertainty'], 1e-9);
    }

    public function test_of_many_thousand_composites_the_newest_are_shown_and_the_rest_are_counted(): void
    {
        $sample = $this->sample($this->ground('Long strip'));
        $this->read($sample, 'lab-ph', '6.10');
        $pdo = \Illuminate\Support\Facades\DB::connection()->getPdo();
        $pdo->exec('WITH RECURSIVE n(i) AS (SELECT 1 UNION ALL SELECT i + 1 FROM n WHERE i < 40000) INSERT INTO '.
            'samples (team_id, site_id, area_id, plan_id, created_by, code, year, number, depth, pulled_on, '.
                "pulled_by, cores_planned, cores_pulled, note, composite, conditions, created_at, updated_at)
            SELECT team_id, site_id, area_id, plan_id, created_by, 'RP20-' || i || '-X', 2020, i, depth, pulled_on, ".
                    "pulled_by, 6, 6, '', 1, '{}', created_at, updated_at FROM samples, n WHERE samples.id = {$sample->id}");
        $pdo->exec('INSERT INTO readings (team_id, sample_id, portion_id, method_id, created_by, value, as_reported, '.
            "read_on, reader, flags, note, lot, created_at, updated_at)
            SELECT r.team_id, s.id, r.portion_id, r.method_id, 1, 6.2, '6.2', r.read_on, r.reader, '[]', '', '', ".
                'r.created_at, r.updated_at FROM samples s, readings r WHERE s.year = 2020');
        $side = $this->api('GET', '/side-by-side', query: ['analyte' => 'ph'])->assertOk();
        self::assertSame(
            [10_000, true, 100, $sample->code],
            [$side->json('total'), $side->json('more'), count($side->json('rows')), $side->json('rows.0.code')],
        );
    }
}
