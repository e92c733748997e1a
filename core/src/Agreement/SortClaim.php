<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

use HonestCore\Statistics\BinomialBound;
use HonestCore\Statistics\Fewest;

/**
 * Sort: does the test send us to the same action as the reference?
 *
 * Quantity and unit: shares of samples, 0 to 1; counts of samples, effective ones where pairs share a cluster.
 * Rule: stands when the lower bound reaches the required share and every action class passes: enough of its results
 * agree, and so
 *   many by luck alone, at one half, are unlikely; falls when the upper bound, of all at half the risk or of one class
 * at its part
 *   of the other half, is below the required share; untested below 5 pairs; unable when the bands sort to too few
 * classes; with
 *   fewer than 3 clusters, and else, open.
 * Source: exact bounds, see BinomialBound, or those of a ConfidenceSequence where the policy looks often; the rule is
 * the product's own.
 */
final readonly class SortClaim
{
    public const FEWEST_PAIRS = 5;

    /** So many or more by luck alone may have this chance in a class that passes: 3 of 3, 5 of 6, 8 of 10. */
    private const LUCK = 0.125;

    /**
     * @param list<string> $reasons
     * @param array<int, int> $lacking class => fewest further agreeing results after which it passes
     */
    private function __construct(
        public Verdict $verdict,
        public ActionTally $tally,
        public float $effective,
        public ?float $lower,
        public ?float $upper,
        public array $reasons,
        public ?int $morePairs,
        public array $lacking,
    ) {}

    public static function judge(ActionTally $tally, Policy $policy, ?Clusters $clusters = null): self
    {
        $clusters ??= Clusters::none();
        [$n, $alpha, $looking] = [$tally->pairs, 1 - $policy->confidence, $policy->looking];
        $effect = $clusters->effect($tally->hits) * $clusters->penalty($n, $policy->confidence);
        [$agree, $effective] = [$tally->agree / $effect, $n / $effect];
        $lower = $n === 0 ? null : $looking->lower($agree, $effective, $policy->confidence);
        $upper = $n === 0 ? null : $looking->upper($agree, $effective, $policy->confidence);
        $lacking = self::lacking($tally, $policy);
        $missed = self::refutedClasses($tally, $policy, $clusters);
        $verdict = match (true) {
            $n < self::FEWEST_PAIRS => Verdict::Untested,
            ! $tally->anyBandSorts => Verdict::Unable,
            $clusters->areTooFew() => Verdict::Open,
            $lower >= $policy->required - BinomialBound::REACHED && $lacking === [] => Verdict::Stands,
            $missed !== [] || self::rulesOut($agree, $effective, 1 - $alpha / 2, $policy) => Verdict::Falls,
            default => Verdict::Open,
        };
        $more = match (true) {
            $verdict === Verdict::Stands => 0,
            $verdict === Verdict::Falls, $verdict === Verdict::Unable, $clusters->areTooFew() => null,
            default => max(
                $looking->furtherHits($agree, $effective, $policy->required, $policy->confidence),
                array_sum($lacking),
                self::FEWEST_PAIRS - $n,
            ),
        };

        return new self(
            $verdict,
            $tally,
            $effective,
            $lower,
            $upper,
            [
                ...self::reasons($verdict, $tally, $policy, $lower, $upper, $lacking, $missed, $more),
                ...self::clusterReasons($clusters, $n, $effective),
            ],
            $more,
            $lacking,
        );
    }

    /** The same figures, with the verdict left open for a reason of its own. */
    public function left(string $why): self
    {
        return new self(
            Verdict::Open,
            $this->tally,
            $this->effective,
            $this->lower,
            $this->upper,
            [$why, ...$this->reasons],
            null,
            $this->lacking,
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'verdict' => $this->verdict->value,
            'agree' => $this->tally->agree,
            'n' => $this->tally->pairs,
            'rate' => $this->tally->pairs === 0 ? null : $this->tally->agree / $this->tally->pairs,
            'lower' => $this->lower,
            'upper' => $this->upper,
            'per_class' => $this->tally->perClass,
            'reasons' => $this->reasons,
            'more_pairs' => $this->morePairs,
        ];
    }

    /** @return array<int, int> class => fewest further agreeing results after which it passes */
    private static function lacking(ActionTally $tally, Policy $policy): array
    {
        $lacking = [];
        foreach ($tally->perClass as $class => ['n' => $n, 'agree' => $agree]) {
            $more = Fewest::from(0, static fn (int $more): bool => self::passes($n + $more, $agree + $more, $policy));
            if ($more > 0) {
                $lacking[$class] = $more;
            }
        }

        return $lacking;
    }

    /** Whether the bound of so many agreeing reaches what is required. */
    public static function reaches(float $agree, float $n, Policy $policy): bool
    {
        return $policy->looking->lower($agree, $n, $policy->confidence) >= $policy->required - BinomialBound::REACHED;
    }

    /** Whether so many agreeing rule out what is required, at some confidence. */
    public static function rulesOut(float $agree, float $n, float $confidence, Policy $policy): bool
    {
        return $n > 0 && $policy->looking->upper($agree, $n, $confidence) < $policy->required - BinomialBound::REACHED;
    }

    /** Whether an action class passes: enough of its results agree, and so many by luck alone would be unlikely. */
    public static function passes(int $n, int $agree, Policy $policy): bool
    {
        if ($n === 0 || $agree < floor($policy->required * $n + BinomialBound::REACHED)) {
            return false;
        }

        return $policy->looking === Looking::Once
            ? BinomialBound::byLuck($agree, $n) <= self::LUCK
            : $policy->looking->lower($agree, $n, 1 - self::LUCK) >= 0.5;
    }

    /** @return list<int> classes whose own upper bound is below the required share */
    private static function refutedClasses(ActionTally $tally, Policy $policy, Clusters $clusters): array
    {
        $refuted = [];
        $confidence = 1 - (1 - $policy->confidence) / (2 * count($tally->perClass));
        foreach ($tally->perClass as $class => ['n' => $n, 'agree' => $agree]) {
            $own = array_keys($tally->classes, $class, true);
            $effect = $clusters
                ->only($own)
                ->effect(array_map(static fn (int $pair): float => $tally->hits[$pair], $own));
            if (self::rulesOut($agree / $effect, $n / $effect, $confidence, $policy)) {
                $refuted[] = $class;
            }
        }

        return $refuted;
    }

    /** @return list<string> */
    private static function clusterReasons(Clusters $clusters, int $pairs, float $effective): array
    {
        if (! $clusters->areNamed()) {
            return [];
        }
        $words = [
            "The {$pairs} ".
            Words::pairs($pairs).
            " share {$clusters->count()} ".
            ($clusters->count() === 1 ? 'cluster' : 'clusters').
            ' and tell as much of sorting as '.
            Words::trim($effective, 1).
            ' independent ones.',
        ];

        return $clusters->areTooFew()
            ? [
                ...$words,
                'Fewer than '.
                Clusters::FEWEST.
                ' clusters: they prove and refute nothing, however many pairs they hold.',
            ]
            : $words;
    }

    /**
     * @param array<int, int> $lacking
     * @param list<int> $missed
     * @return list<string>
     */
    private static function reasons(
        Verdict $verdict,
        ActionTally $tally,
        Policy $policy,
        ?float $lower,
        ?float $upper,
        array $lacking,
        array $missed,
        ?int $more,
    ): array {
        $n = $tally->pairs;
        $needed = Words::percent($policy->required);
        $reasons = [];
        if ($lower === null || $upper === null) {
            $reasons[] = 'There are no pairs, so no rate and no bounds can be computed.';
        } else {
            $reasons[] =
                "The action agrees in {$tally->agree} of {$n} samples; at ".
                Words::percent($policy->confidence).
                ' confidence that is a rate of at least '.
                Words::percent($lower).
                ' and at most '.
                Words::percent($upper).
                "; {$needed} is required.";
        }
        $reasons[] =
            $policy->looking === Looking::Once
                ? 'Its bounds are exact for one look fixed beforehand.'
                : 'Its bounds are those of a confidence sequence: they hold however often the evidence is looked '.
                    'at.';
        if ($verdict === Verdict::Untested) {
            $reasons[] = "Fewer than 5 pairs ({$n}): too few to begin.";
        }
        if (! $tally->anyBandSorts) {
            $reasons[] =
                'The bands of this test do not reach every one of the '.
                $policy->limits->classes().
                ' action classes; more pairs cannot mend that.';
        }
        foreach ($missed as $class) {
            ['n' => $in, 'agree' => $agree] = $tally->perClass[$class];
            $reasons[] = "Class {$policy->className(
                $class,
            )}: only {$agree} of {$in} agree, which by itself rules out {$needed}.";
        }
        foreach ($lacking as $class => $further) {
            ['n' => $in, 'agree' => $agree] = $tally->perClass[$class];
            $reasons[] =
                "Class {$policy->className($class)} was asked ".
                Words::times($in).
                ' and agreed '.
                Words::times($agree).
                '; '.
                "it needs at least {$further} more agreeing results.";
        }
        foreach ($tally->cut as $band => $pairs) {
            $reasons[] =
                "An action limit cuts the band {$band}; it counts by its middle in {$pairs} ".
                Words::pairs($pairs).
                '.';
        }
        foreach ($tally->mute as $band => $pairs) {
            $reasons[] =
                "An action limit cuts the open band {$band}, which cannot sort; it counts as a miss in {$pairs} ".
                Words::pairs($pairs).
                '.';
        }
        if ($tally->torn > 0) {
            $reasons[] =
                "The two middle bands of {$tally->torn} ".
                Words::pairs($tally->torn).
                ' sort to different classes, and one of them is open: counted as a miss.';
        }
        if ($more !== null && $more > 0) {
            $reasons[] = "With no further miss, {$more} more ".Words::pairs($more).' would prove it.';
        }

        return $reasons;
    }
}
