<?php

declare(strict_types=1);

namespace App\Actions\Evidence;

use App\Models\JudgingPolicy;
use App\Models\Reading;
use App\Models\Sample;
use App\Models\TestMethod;
use HonestCore\Agreement\ActionLimits;
use HonestCore\Agreement\Band;
use HonestCore\Agreement\Bands;
use HonestCore\Agreement\PairedSample;
use HonestCore\Statistics\Spread;
use Illuminate\Database\Eloquent\Collection;

/**
 * Puts the readings of one test beside those of its reference, composite by composite. Corrected readings do not
 * count; readings with a protocol break are left out, and a pair none of whose readings is left is left out whole.
 */
final class GatherEvidence
{
    public function __invoke(TestMethod $test): Evidence
    {
        $reference = $this->reference($test->analyte);
        $policy = $this->policy($test->analyte);
        $ofReference = $this->readings($reference);
        $pairs = [];
        foreach ($this->readings($test) as $sampleId => $readings) {
            $results = array_values(array_filter($ofReference->get($sampleId) ?? [], static fn (Reading $reading): bool => $reading->flags === []));
            if ($results !== []) {
                $pairs[] = $this->pair($readings, $results, $policy, $test->scale());
            }
        }
        usort($pairs, static fn (Pair $a, Pair $b): int => [$b->sample->year, $b->sample->number] <=> [$a->sample->year, $a->sample->number]);

        return new Evidence($test, $reference, $policy, $pairs);
    }

    /** The lab's own method for an analyte: what tests are judged against. */
    public function reference(string $analyte): TestMethod
    {
        return TestMethod::query()->where('analyte', $analyte)->where('portion', 'lab')->whereNull('school')->orderBy('id')->firstOrFail();
    }

    public function policy(string $analyte): JudgingPolicy
    {
        return JudgingPolicy::query()->where('analyte', $analyte)->orderByDesc('version')->firstOrFail();
    }

    /** @return Collection<int, non-empty-list<Reading>>|\Illuminate\Support\Collection<int, non-empty-list<Reading>> by sample */
    private function readings(TestMethod $method): \Illuminate\Support\Collection
    {
        /** @var \Illuminate\Support\Collection<int, non-empty-list<Reading>> $grouped */
        $grouped = Reading::query()->where('method_id', $method->id)->whereDoesntHave('correction')->with('sample.area')->orderBy('id')->get()
            ->toBase()->groupBy('sample_id')->map(static fn (\Illuminate\Support\Collection $readings): array => array_values($readings->all()));

        return $grouped;
    }

    /**
     * @param non-empty-list<Reading> $readings
     * @param non-empty-list<Reading> $results
     */
    private function pair(array $readings, array $results, JudgingPolicy $policy, ?Bands $scale): Pair
    {
        $sample = $readings[0]->sample;
        $sound = array_values(array_filter($readings, static fn (Reading $reading): bool => $reading->flags === []));
        $used = $sound === [] ? $readings : $sound;
        $reference = Spread::mean(array_map(static fn (Reading $reading): float => (float) $reading->value, $results));
        $limits = $policy->limitsFor($sample->area->use);
        $flags = $sound === [] ? array_values(array_unique(array_merge(...array_map(static fn (Reading $reading): array => $reading->flags, $readings)))) : [];

        return new Pair($sample, $reference, $used, $flags, $limits, $this->paired($sample, $reference, $used, $scale, $limits)->withLimits($limits), $scale);
    }

    /** @param non-empty-list<Reading> $readings */
    private function paired(Sample $sample, float $reference, array $readings, ?Bands $scale, ActionLimits $limits): PairedSample
    {
        return $scale === null
            ? PairedSample::numeric($sample->code, $reference, array_map(static fn (Reading $reading): float => (float) $reading->value, $readings))
            : PairedSample::ordinal($sample->code, $reference, array_map(
                static fn (Reading $reading): Band => self::band($reading, $scale, $reference, $limits), $readings,
            ));
    }

    /** The band of a reading; of a colour between two bands the one that speaks more against the test, as of two middle replicates. */
    private static function band(Reading $reading, Bands $scale, float $reference, ActionLimits $limits): Band
    {
        $band = $scale->named((string) $reading->band) ?? throw new \UnexpectedValueException("Reading {$reading->id} holds no band of its method.");
        $other = $reading->between === null ? null : $scale->named($reading->between);

        return $other === null ? $band : $scale->median([$band, $other], $reference, $limits);
    }

    /** Why a test has nothing to be judged by here, or null when it has. */
    public function untested(TestMethod $test): ?string
    {
        if (! TestMethod::query()->where('analyte', $test->analyte)->where('portion', 'lab')->whereNull('school')->exists()) {
            return 'No lab method here measures the same, so that it has no partner: it stays untested.';
        }

        return JudgingPolicy::query()->where('analyte', $test->analyte)->exists() ? null : 'No policy is set for what it measures, so that it cannot be judged yet.';
    }
}
