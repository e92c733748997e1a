<?php

declare(strict_types=1);

namespace App\Actions\Evidence;

use App\Actions\Records\OldPairs;
use App\Database\Values;
use App\Exceptions\Conflict;
use App\Models\JudgingPolicy;
use App\Models\LabResult;
use App\Models\Reading;
use App\Models\Sample;
use App\Models\TestMethod;
use HonestCore\Agreement\ActionLimits;
use HonestCore\Agreement\Band;
use HonestCore\Agreement\Bands;
use HonestCore\Agreement\PairedSample;
use HonestCore\Agreement\Scale;
use HonestCore\Agreement\Session;
use HonestCore\Statistics\Spread;
use Illuminate\Database\Eloquent\Collection;

/**
 * Puts the readings of one test beside those of another method, or of one reader beside those of another, composite
 * by composite. Corrected readings do not count; readings with a protocol break are left out, and a pair none of
 * whose readings is left is left out whole. Two extractants are never paired.
 */
final class GatherEvidence
{
    /** What stands in the place of a protocol break when no logarithm can be taken. */
    public const NO_LOGARITHM = 'no-logarithm';

    /** And where the lab's value was known before it was read, under a policy that asks for blind readings. */
    public const NOT_BLIND = 'not-blind';

    /** The newest season in which a composite was pulled. */
    private ?int $now = null;

    /** @var array<string, Family> by analyte */
    private array $families = [];

    public function __construct(private readonly OldPairs $old) {}

    public function __invoke(TestMethod $test, ?TestMethod $reference = null): Evidence
    {
        $reference ??= $this->reference($test->analyte);
        if (
            $reference->id === $test->id ||
            $reference->analyte !== $test->analyte ||
            ($test->workplace === 'lab' && $reference->workplace === 'lab' && $reference->extractant !== $test->extractant)
        ) {
            throw Conflict::because('never_compared', method: $reference->name);
        }

        return $this->evidence(
            $test,
            $reference,
            $this->readings($test),
            $this->results($reference, $test),
            $this->censored($reference),
            '',
            $reference->workplace === 'lab' && $test->workplace === 'bench',
        );
    }

    /** What old records say of a test, by themselves. */
    public function ofRecords(TestMethod $test, ?TestMethod $reference = null): Evidence
    {
        return $this->evidence($test, $reference ?? $this->reference($test->analyte), [], [], [], Evidence::RECORDS);
    }

    /** All claims of an analyte together, where its policy holds them to one error rate. */
    private function family(string $analyte, float $confidence): Family
    {
        if (! isset($this->families[$analyte])) {
            $reference = $this->reference($analyte);
            $all = [];
            foreach (TestMethod::query()->where('analyte', $analyte)->where('workplace', 'bench')->orderBy('id')->get() as $test) {
                $all[] = $this->evidence($test, $reference, $this->readings($test), $this->results($reference, $test), [], '');
            }
            $this->families[$analyte] = Family::of($all, $confidence);
        }

        return $this->families[$analyte];
    }

    /** One reader's bands beside those of another, who stands for the reference. */
    public function readers(TestMethod $test, string $reference, string $reader): Evidence
    {
        [$ones, $others] = [[], []];
        foreach ($this->readings($test) as $sample => $readings) {
            $of = static fn (string $name): array => array_values(
                array_filter($readings, static fn (Reading $reading): bool => $reading->reader === $name),
            );
            $figures = array_values(
                array_filter(
                    array_map(
                        static fn (Reading $reading): ?float => $reading->flags === []
                            ? self::figure($reading, $test->scale())
                            : null,
                        $of($reference),
                    ),
                    is_float(...),
                ),
            );
            $own = $of($reader);
            if ($figures !== [] && $own !== []) {
                $ones[$sample] = Spread::mean($figures);
                $others[$sample] = $own;
            }
        }

        return $this->evidence($test, $test, $others, $ones, [], $reference);
    }

    /** The lab's own method for an analyte: what tests are judged against. */
    public function reference(string $analyte): TestMethod
    {
        return TestMethod::labsFor($analyte)->firstOrFail();
    }

    public function policy(string $analyte): JudgingPolicy
    {
        return JudgingPolicy::query()->where('analyte', $analyte)->orderByDesc('version')->firstOrFail();
    }

    /** Why a test has nothing to be judged by here, or null when it has. */
    public function untested(TestMethod $test): ?string
    {
        if (! TestMethod::labsFor($test->analyte)->whereKeyNot($test->id)->exists()) {
            return 'No lab method here measures the same, so that it has no partner: it stays untested.';
        }

        return JudgingPolicy::query()->where('analyte', $test->analyte)->exists()
            ? null
            : 'No policy is set for what it measures, so that it cannot be judged yet.';
    }

    /**
     * What a test can be held against: the labs' methods for the same, by the same extractant for a lab's, then tests
     * of the bench that give numbers, which are looked at and never signed against.
     *
     * @return list<TestMethod>
     */
    public function references(TestMethod $test): array
    {
        $others = TestMethod::query()
            ->where('analyte', $test->analyte)
            ->whereKeyNot($test->id)
            ->orderByDesc('workplace')
            ->orderByRaw(TestMethod::FITTING_FIRST, [TestMethod::extractantOf($test->analyte)])
            ->orderBy('id')
            ->get();

        return array_values(
            $others
                ->filter(
                    static fn (TestMethod $one): bool => $one->workplace === 'lab'
                        ? $one->school === $test->school &&
                            ($test->workplace !== 'lab' || $one->extractant === $test->extractant)
                        : $test->workplace === 'bench' && $one->bands === null,
                )
                ->all(),
        );
    }

    /**
     * @param iterable<int, non-empty-list<Reading>> $tests by sample
     * @param array<int, float> $references by sample
     * @param list<array{code: string, sample_id: int, said: string}> $censored
     */
    private function evidence(
        TestMethod $test,
        TestMethod $reference,
        iterable $tests,
        array $references,
        array $censored,
        string $against,
        bool $amongOthers = false,
    ): Evidence {
        $policy = $this->policy($test->analyte);
        [$pairs, $tested] = [[], []];
        foreach ($tests as $sample => $readings) {
            $tested[$sample] = true;
            if (isset($references[$sample])) {
                $pairs[] = $this->pair($readings, $references[$sample], $policy, $test->scale());
            }
        }
        if ($against === Evidence::RECORDS || ($against === '' && $policy->terms->records)) {
            foreach ($this->old->of($test, $reference) as [$readings, $found]) {
                if ($readings !== []) {
                    $pairs[] = $this->pair($readings, $found, $policy, $test->scale());
                }
            }
        }
        usort(
            $pairs,
            static fn (Pair $a, Pair $b): int => [$b->sample->year, $b->sample->number] <=> [
                $a->sample->year,
                $a->sample->number,
            ],
        );

        return new Evidence(
            $test,
            $reference,
            $policy,
            $pairs,
            array_values(array_filter($censored, static fn (array $one): bool => isset($tested[$one['sample_id']]))),
            $against,
            $this->now ??= Values::whole(Sample::query()->max('year')),
            $amongOthers && $policy->terms->together
                ? fn (): Family => $this->family($test->analyte, $policy->terms->confidence)
                : null,
        );
    }

    /**
     * @return Collection<int, non-empty-list<Reading>>|\Illuminate\Support\Collection<int, non-empty-list<Reading>> by
     *                                                                                                               sample
     */
    private function readings(TestMethod $method): \Illuminate\Support\Collection
    {
        /** @var \Illuminate\Support\Collection<int, non-empty-list<Reading>> $grouped */
        $grouped = Reading::query()
            ->where('method_id', $method->id)
            ->whereDoesntHave('correction')
            ->with('sample.area')
            ->orderBy('id')
            ->get()
            ->toBase()
            ->groupBy('sample_id')
            ->map(static fn (\Illuminate\Support\Collection $readings): array => array_values($readings->all()));

        return $grouped;
    }

    /**
     * What the reference found of the composites that the test has read; a lab may have read thousands of others.
     *
     * @return array<int, float> by sample
     */
    private function results(TestMethod $reference, TestMethod $test): array
    {
        $readings = Reading::query()
            ->where('method_id', $reference->id)
            ->where('flags', '[]')
            ->whereDoesntHave('correction')
            ->whereIn('sample_id', Reading::query()->where('method_id', $test->id)->select('sample_id'))
            ->orderBy('id')
            ->get(['id', 'sample_id', 'value', 'band', 'between', 'flags']);
        $figures = [];
        foreach ($readings as $reading) {
            $figure = self::figure($reading, $reference->scale());
            if ($figure !== null) {
                $figures[$reading->sample_id][] = $figure;
            }
        }

        return array_map(Spread::mean(...), $figures);
    }

    /**
     * @return list<array{code: string, sample_id: int, said: string}> results of the reference that are no number:
     *                                                                 below a limit, a range, a trace
     */
    private function censored(TestMethod $reference): array
    {
        $results = LabResult::query()
            ->where('method_id', $reference->id)
            ->whereRaw("kind <> 'number'")
            ->whereNull('superseded_by')
            ->where('excluded', '')
            ->with('portion.sample:id,code')
            ->orderBy('id')
            ->get();

        return array_values(
            $results
                ->filter(static fn (LabResult $result): bool => $result->portion->sample !== null)
                ->map(
                    static fn (LabResult $result): array => [
                        'code' => $result->portion->sample->code ?? '',
                        'sample_id' => (int) $result->portion->sample_id,
                        'said' => trim("{$result->as_reported} {$result->unit}"),
                    ],
                )
                ->all(),
        );
    }

    /** @param non-empty-list<Reading> $readings */
    private function pair(array $readings, float $reference, JudgingPolicy $policy, ?Bands $scale): Pair
    {
        $sample = $readings[0]->sample;
        $breaks = static fn (Reading $reading): array => $policy->terms->blind && $reading->seenBefore() === true
            ? [...$reading->flags, self::NOT_BLIND]
            : $reading->flags;
        $sound = array_values(array_filter($readings, static fn (Reading $reading): bool => $breaks($reading) === []));
        $used = $sound === [] ? $readings : $sound;
        $limits = $policy->limitsFor($sample->area->use);
        $flags =
            $sound === []
                ? array_values(
                    array_unique(
                        array_merge(...array_map($breaks, $readings)),
                    ),
                )
                : [];
        $paired = $this->paired($sample, $reference, $used, $scale, $limits)
            ->withLimits($limits)
            ->inCluster(self::session($used[0]));
        if (
            $policy->policy()->scale === Scale::Ratio &&
            ($reference <= 0 || ($paired->readings !== [] && min($paired->readings) <= 0))
        ) {
            $flags = [...$flags, self::NO_LOGARITHM];
        }

        $lots = [];
        foreach ($used as $reading) {
            $lots["lot {$reading->lot}"][] = $reading;
        }
        $byLot = array_map(
            fn (array $own): PairedSample => $this->paired($sample, $reference, $own, $scale, $limits),
            $lots,
        );

        return new Pair($sample, $reference, $used, $readings, $flags, $limits, $paired, $scale, $byLot);
    }

    /** The sitting in which it was read first. */
    private static function session(Reading $reading): string
    {
        return Session::of($reading->run_id, $reading->reader, $reading->read_on->format('Y-m-d'), $reading->lot);
    }

    /** @param non-empty-list<Reading> $readings */
    private function paired(
        Sample $sample,
        float $reference,
        array $readings,
        ?Bands $scale,
        ActionLimits $limits,
    ): PairedSample {
        return $scale === null
            ? PairedSample::numeric(
                $sample->code,
                $reference,
                array_map(static fn (Reading $reading): float => (float) $reading->value, $readings),
            )
            : PairedSample::ordinal(
                $sample->code,
                $reference,
                array_map(static fn (Reading $reading): Band => self::band($reading, $scale, $limits), $readings),
            );
    }

    /** The band of a reading; a colour between two bands reads as the point midway, as two middle replicates do. */
    private static function band(Reading $reading, Bands $scale, ActionLimits $limits): Band
    {
        $band =
            $scale->named((string) $reading->band) ??
            throw new \UnexpectedValueException("Reading {$reading->id} holds no band of its method.");
        $other = $reading->between === null ? null : $scale->named($reading->between);

        return $other === null ? $band : Bands::median([$band, $other], $limits);
    }

    /** A reading as a number: its value, or the middle of its closed band. */
    private static function figure(Reading $reading, ?Bands $scale): ?float
    {
        if ($scale === null) {
            return $reading->value;
        }
        $middles = array_filter(
            [
                $scale->named((string) $reading->band)?->middle(),
                $reading->between === null ? null : $scale->named($reading->between)?->middle(),
            ],
            is_float(...),
        );

        return $middles === [] ? null : array_sum($middles) / count($middles);
    }
}
