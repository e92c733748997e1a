<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

/**
 * One test judged against one reference for one analyte: all figures, the three claims and their verdicts.
 *
 * Quantity and unit: readings and limits in the analyte's unit on the reference scale.
 * Domain: any number of samples, 0 included; figures that need more are null and `reasons` says why.
 */
final readonly class Assessment
{
    /** @param list<string> $reasons */
    private function __construct(
        public string $analyte,
        public int $pairs,
        public int $leftOut,
        public ?Differences $differences,
        public ?Deming $deming,
        public ?PassingBablok $passingBablok,
        public ?Concordance $concordance,
        public ?Kappa $kappa,
        public SortClaim $sort,
        public RateClaim $rate,
        public TrackClaim $track,
        public array $reasons,
    ) {}

    /**
     * @param list<PairedSample>|SampleColumns $samples
     * @param float|null $uReference standard uncertainty of one reference result, of its logarithm on the ratio scale
     */
    public static function of(
        array|SampleColumns $samples,
        int $leftOut,
        Policy $policy,
        ?Bands $bands,
        ?float $uReference = null,
    ): self {
        $clusters = Clusters::of($samples);
        $tally = ActionTally::of($samples, $policy->limits, $bands);
        $kappa = $tally->matrix === null ? null : Kappa::of($tally->matrix);
        [$most, $x, $y] = [0, [], []];
        foreach ($samples as $sample) {
            $most = max($most, $sample->replicates());
            if ($bands === null) {
                [$x[], $y[]] = [$sample->reference, $sample->test()];
            }
        }
        $differences = $deming = $passingBablok = $concordance = null;
        if ($bands === null) {
            $differences = Differences::between(
                $policy->scale === Scale::Absolute ? $x : array_map($policy->scale->of(...), $x),
                $policy->scale === Scale::Absolute ? $y : array_map($policy->scale->of(...), $y),
                $policy->intervalsAt(count($x)),
                $clusters,
                $uReference,
            );
            $deming = Deming::fit($x, $y);
            $passingBablok = PassingBablok::fit($x, $y, $policy->confidence);
            $concordance = Concordance::of($x, $y, $policy->confidence);
        }

        return new self(
            $policy->analyte,
            count($samples),
            $leftOut,
            $differences,
            $deming,
            $passingBablok,
            $concordance,
            $kappa,
            SortClaim::judge($tally, $policy, $clusters),
            RateClaim::judge($differences, count($samples), $most, $bands, $policy, $clusters),
            TrackClaim::judge(Repeatability::of($samples, $policy), $policy),
            self::reasons(
                $policy,
                count($samples),
                $most,
                $bands,
                $kappa,
                $differences,
                $deming,
                $passingBablok,
                $concordance,
            ),
        );
    }

    /** The same, with one claim left open for a reason that lies beside its own figures. */
    public function withOpen(string $claim, string $why): self
    {
        return new self(
            $this->analyte,
            $this->pairs,
            $this->leftOut,
            $this->differences,
            $this->deming,
            $this->passingBablok,
            $this->concordance,
            $this->kappa,
            $claim === 'sort' ? $this->sort->left($why) : $this->sort,
            $claim === 'rate' ? $this->rate->left($why) : $this->rate,
            $claim === 'track' ? $this->track->left($why) : $this->track,
            $this->reasons,
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'analyte' => $this->analyte,
            'pairs' => $this->pairs,
            'pairs_effective' => $this->sort->effective,
            'left_out' => $this->leftOut,
            'difference' => $this->differences?->toArray(),
            'regression' => $this->deming === null || $this->passingBablok === null
                    ? null
                    : [
                        'deming' => $this->deming->toArray(),
                        'passing_bablok' => $this->passingBablok->toArray(),
                    ],
            'concordance' => $this->concordance?->toArray(),
            'kappa' => $this->kappa?->toArray(),
            'sort' => $this->sort->toArray(),
            'rate' => $this->rate->toArray(),
            'track' => $this->track->toArray(),
            'reasons' => $this->reasons,
        ];
    }

    /** @return list<string> */
    private static function reasons(
        Policy $policy,
        int $pairs,
        int $most,
        ?Bands $bands,
        ?Kappa $kappa,
        ?Differences $differences,
        ?Deming $deming,
        ?PassingBablok $passingBablok,
        ?Concordance $concordance,
    ): array {
        $reasons = [self::lookingWords($policy)];
        if ($most > 1) {
            $reasons[] = "Up to {$most} readings of a sample were averaged: what is said of sorting and rating ".
                'holds for such averages, not for one reading.';
        }
        $missing = [
            'Bands are ranges: difference, regression and concordance need numbers and are null.' => $bands !== null,
            'A band that cannot sort was read, so kappa is null.' => $kappa === null,
            'All results fall in one action class (or there are none), so chance alone agrees fully and kappa has '.
                'no value.' => $kappa !== null && $kappa->unweighted === null,
            'Limits of agreement need 2 pairs.' => $bands === null && $pairs < 2,
            'The limits at the ends need 4 pairs.' => $bands === null && $pairs < 4,
            'The differences leave no spread to test a trend on.'
                => $pairs > 2 && self::isMissing($differences, $differences?->trend->p),
            'A trend needs 3 pairs.' => $bands === null && $pairs < 3,
            'The readings leave no spread for a Deming line.'
                => $pairs > 1 && self::isMissing($deming, $deming?->slope),
            'The pairwise slopes leave no rank for a Passing-Bablok line.'
                => $pairs > 1 && self::isMissing($passingBablok, $passingBablok?->slope),
            'The ranks of the Passing-Bablok interval fall outside the slopes.'
                => $passingBablok?->slope !== null && $passingBablok->slopeInterval === null,
            'The concordance leaves no spread for an interval.'
                => $pairs > 2 && self::isMissing($concordance, $concordance?->interval),
        ];

        return [...$reasons, ...array_keys(array_filter($missing))];
    }

    private static function lookingWords(Policy $policy): string
    {
        return match (true) {
            $policy->looking === Looking::Once => 'The bounds hold for one look at the evidence, fixed beforehand.',
            $policy->guardsIntervals => 'The bounds hold however often the evidence is looked at.',
            default => 'The bounds of the sort claim hold however often the evidence is looked at; intervals of '.
                'limits and spreads are those of their plain confidence.',
        };
    }

    /** Was something fitted that has no figure of this kind? */
    private static function isMissing(?object $fitted, mixed $figure): bool
    {
        return $fitted !== null && $figure === null;
    }
}
