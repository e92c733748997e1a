<?php

declare(strict_types=1);

namespace Tests\Feature\Evidence;

use App\Models\LabReport;
use App\Models\LabResult;
use App\Models\Plan;
use App\Models\Portion;
use App\Models\ResultMark;
use App\Models\Sample;
use Tests\Feature\ApiTestCase;

/** Duplicate composites and hidden duplicates: ground, sampling and analysis, and what is too close to call by them. */
final class SamplingTest extends ApiTestCase
{
    public function test_without_duplicates_what_is_stated_of_the_lab_is_used_and_said_to_be_too_small(): void
    {
        $this->pair($this->area(), '5.5', '5.95');
        $sampling = $this->sampling();
        self::assertSame(
            [0, 0, null, 0.12, 1],
            [
                $sampling['pairs_of_composites'],
                $sampling['hidden_pairs'],
                $sampling['sd_measurement'],
                $sampling['used'],
                $sampling['close'],
            ],
        );
        self::assertStringContainsString('it is too small', $sampling['words'][0]);
        self::assertSame(
            [
                'Duplicate composites so far: 0; 4 more would do. Plan them with the next round.',
                'Hidden duplicates so far: 0; 4 more would tell the lab\'s own part.',
            ],
            array_slice($sampling['words'], 1),
        );
    }

    public function test_hidden_duplicates_tell_the_analysis_and_duplicate_composites_the_sampling(): void
    {
        $this->grounds([5.2, 5.9, 6.4, 6.9, 7.3]);
        $sampling = $this->sampling();

        self::assertSame(
            [5, 10, 5],
            [$sampling['pairs_of_composites'], $sampling['hidden_pairs'], $sampling['split']['targets']],
        );
        self::assertEqualsWithDelta(0.1 / sqrt(2), $sampling['split']['classical']['sd_analysis'], 1e-9);
        self::assertEqualsWithDelta(sqrt(0.08 - 0.005 / 2), $sampling['split']['classical']['sd_sampling'], 1e-9);
        self::assertEqualsWithDelta(2 * $sampling['sd_measurement'], $sampling['used'], 1e-9);
        self::assertGreaterThan(0.5, $sampling['used'], 'far more than the 0.12 that the lab states');
        self::assertStringContainsString('Most of the spread is sampling', $sampling['words'][0]);
        $side = $this->api('GET', '/side-by-side', query: ['analyte' => 'ph'])->assertOk();
        self::assertSame(
            'sampling',
            array_column($side->json('series'), null, 'workplace')['lab']['uncertainty_from'],
            'and it is used there too',
        );
    }

    /** Three grounds make a split that is shown; what decides waits for a fourth, as it does for hidden duplicates. */
    public function test_a_split_of_few_grounds_is_shown_and_decides_nothing(): void
    {
        $this->grounds([5.2, 5.9, 6.4]);
        $sampling = $this->sampling();
        self::assertSame(
            [3, 6, 3],
            [$sampling['pairs_of_composites'], $sampling['hidden_pairs'], $sampling['split']['targets']],
        );
        self::assertNull($sampling['sd_measurement']);
        self::assertEqualsWithDelta(
            0.1 / sqrt(2),
            $sampling['sd_analysis'],
            0.02,
            'six hidden duplicates are enough for the analysis',
        );
        self::assertSame(0.12, $sampling['used']);
        self::assertContains(
            'Duplicate composites so far: 3; 1 more would do. Plan them with the next round.',
            $sampling['words'],
        );
        self::assertStringContainsString('Only the analysis is known', $sampling['words'][0]);
    }

    /**
     * Four pairs of composites without hidden duplicates of both: sampling and analysis together, from the lab's own
     * portions alone.
     */
    public function test_pairs_of_composites_tell_sampling_and_analysis_together(): void
    {
        $this->grounds([5.2, 5.9, 6.4, 6.9]);
        $torn = Portion::query()
            ->where('kind', 'hidden')
            ->whereHas('sample', static fn ($sample) => $sample->where('composite', 2))
            ->pluck('id');
        ResultMark::leaveOut(
            LabResult::query()->whereIn('portion_id', $torn)->get(),
            $this->technician,
            'The bag was torn.',
        );
        $sampling = $this->sampling();

        self::assertSame(
            [4, 4, null],
            [$sampling['pairs_of_composites'], $sampling['hidden_pairs'], $sampling['split']],
        );
        // All pairs differ by 0.4, so that every one of them says 0.4 / √2, robust or not but for the factor of the
        // trimming.
        self::assertEqualsWithDelta(0.4 / sqrt(2), $sampling['sd_measurement'], 0.05);
        self::assertEqualsWithDelta(2 * $sampling['sd_measurement'], $sampling['used'], 1e-9);
        self::assertCount(1, $sampling['words'], 'four are enough of each');
    }

    /** Duplicates that agree better than the lab states do not make its results surer than it says. */
    public function test_what_is_stated_goes_before_what_is_smaller(): void
    {
        $this->grounds([5.2, 5.9, 6.4, 6.9, 7.3], 0.02, 0.01);
        $sampling = $this->sampling();
        self::assertLessThan(0.06, $sampling['expanded']);
        self::assertSame(0.12, $sampling['used']);
        self::assertSame(
            4,
            $sampling['close'],
            'both composites of the grounds at 5.9 and 7.3 lie within 0.12 of a limit',
        );
    }

    /** @param list<float> $grounds pH; sampling moves the second composite, analysis each hidden duplicate */
    private function grounds(array $grounds, float $sampled = 0.4, float $analysed = 0.1): void
    {
        $area = $this->area();
        foreach ($grounds as $i => $ph) {
            $plan = $this->plan($area);
            $layout = $plan->layout->toRow();
            self::assertIsArray($layout['composites']);
            $layout['composites'][] = ['number' => 2, 'duplicate_of' => 1] + $plan->layout->composites[0]->toRow();
            Plan::query()
                ->whereKey($plan->id)
                ->update([
                    'layout' => json_encode($layout, JSON_THROW_ON_ERROR),
                    'spec' => json_encode(
                        ['quality' => ['duplicates' => 1, 'hidden' => 1]] + $plan->spec->toRow(),
                        JSON_THROW_ON_ERROR,
                    ),
                ]);
            $one = $this->duplicate($plan->id, 1, $area);
            $other = $this->duplicate($plan->id, 2, $area);
            foreach ([[$one, $ph], [$other, $ph + ($i % 2 ? $sampled : -$sampled)]] as [$sample, $value]) {
                $this->read($sample, 'kit-ph', '6.0');
                $this->read($sample, 'lab-ph', number_format($value, 2));
                $this->hidden($sample, $value + $analysed);
            }
        }
    }

    private function duplicate(int $plan, int $composite, \App\Models\Area $area): Sample
    {
        $sample = $this->sample($area);
        Sample::query()
            ->whereKey($sample->id)
            ->update(['plan_id' => $plan, 'composite' => $composite]);

        return $sample->refresh();
    }

    private function hidden(Sample $sample, float $value): void
    {
        $portion = Portion::query()->create([
            'sample_id' => $sample->id,
            'site_id' => $sample->site_id,
            'kind' => 'hidden',
            'code' => "FN26-9{$sample->id}L-X",
            'year' => 2026,
            'number' => 900 + $sample->id,
        ]);
        $report = LabReport::query()->firstOrCreate(
            ['sha256' => str_repeat('b', 64)],
            ['created_by' => $this->technician->id, 'file_name' => 'x.csv', 'rows' => 1, 'read_on' => '2026-09-06'],
        );
        LabResult::query()->create([
            'report_id' => $report->id,
            'portion_id' => $portion->id,
            'method_id' => $this->method('lab-ph')->id,
            'row' => 1,
            'kind' => 'number',
            'value' => $value,
            'as_reported' => (string) $value,
            'unit' => '',
            'form' => '',
            'lab_number' => '',
        ]);
    }

    /** @return array<string, mixed> */
    private function sampling(): array
    {
        return (array) $this->api('GET', '/evidence/{method}', ids: ['method' => $this->method('kit-ph')->id])
            ->assertOk()
            ->json('sampling');
    }
}
