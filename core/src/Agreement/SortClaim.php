<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

use HonestCore\Statistics\Fewest;

/**
 * Sort: does the test send us to the same action as the reference?
 *
 * Quantity and unit: shares of samples, 0 to 1; counts of samples.
 * Rule: stands when the lower bound reaches the required share and every action class was asked, with at
 *   least 3 reference results of which at least floor(required * n) agree; falls when the upper bound, of
 *   all or of one class, is below the required share; untested below 5 pairs; unable when the bands sort to
 *   too few classes; else open.
 * Source: exact bounds, see BinomialBound, or those of a ConfidenceSequence where the policy looks often; the rule is the product's own.
 */
final readonly class SortClaim
{
    public const FEWEST_PAIRS = 5;

    private const FEWEST_IN_CLASS = 3;

    /** @param list<string> $reasons */
    private function __construct(
        public Verdict $verdict,
        public ActionTally $tally,
        public ?float $lower,
        public ?float $upper,
        public array $reasons,
        public ?int $morePairs,
    ) {}

    public static function judge(ActionTally $tally, Policy $policy): self
    {
        $n = $tally->pairs;
        $lower = $n === 0 ? null : $policy->looking->lower($tally->agree, $n, $policy->confidence);
        $upper = $n === 0 ? null : $policy->looking->upper($tally->agree, $n, $policy->confidence);
        $lacking = self::lacking($tally, $policy);
        $missed = self::refutedClasses($tally, $policy);
        $verdict = match (true) {
            $n < self::FEWEST_PAIRS => Verdict::Untested,
            ! $tally->anyBandSorts => Verdict::Unable,
            $lower >= $policy->required && $lacking === [] => Verdict::Stands,
            $upper < $policy->required || $missed !== [] => Verdict::Falls,
            default => Verdict::Open,
        };
        $more = match ($verdict) {
            Verdict::Stands => 0,
            Verdict::Falls, Verdict::Unable => null,
            default => max(
                $policy->looking->furtherHits($tally->agree, $n, $policy->required, $policy->confidence),
                array_sum($lacking),
                self::FEWEST_PAIRS - $n,
            ),
        };

        return new self(
            $verdict, $tally, $lower, $upper,
            self::reasons($verdict, $tally, $policy, $lower, $upper, $lacking, $missed, $more), $more,
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
            $more = Fewest::from(
                max(0, self::FEWEST_IN_CLASS - $n),
                static fn (int $more): bool => $agree + $more >= floor($policy->required * ($n + $more) + 1e-9),
            );
            if ($more > 0) {
                $lacking[$class] = $more;
            }
        }

        return $lacking;
    }

    /** @return list<int> classes whose own upper bound is below the required share */
    private static function refutedClasses(ActionTally $tally, Policy $policy): array
    {
        $refuted = [];
        foreach ($tally->perClass as $class => ['n' => $n, 'agree' => $agree]) {
            if ($n > 0 && $policy->looking->upper($agree, $n, $policy->confidence) < $policy->required) {
                $refuted[] = $class;
            }
        }

        return $refuted;
    }

    /**
     * @param array<int, int> $lacking
     * @param list<int> $missed
     * @return list<string>
     */
    private static function reasons(
        Verdict $verdict, ActionTally $tally, Policy $policy, ?float $lower, ?float $upper,
        array $lacking, array $missed, ?int $more,
    ): array {
        $n = $tally->pairs;
        $needed = Words::percent($policy->required);
        $reasons = [];
        if ($lower === null || $upper === null) {
            $reasons[] = 'There are no pairs, so no rate and no bounds can be computed.';
        } else {
            $reasons[] = "The action agrees in {$tally->agree} of {$n} samples; at "
                .Words::percent($policy->confidence).' confidence that is a rate of at least '
                .Words::percent($lower).' and at most '.Words::percent($upper)."; {$needed} is required.";
        }
        if ($verdict === Verdict::Untested) {
            $reasons[] = "Fewer than 5 pairs ({$n}): too few to begin.";
        }
        if (! $tally->anyBandSorts) {
            $reasons[] = 'The bands of this test do not reach every one of the '.$policy->limits->classes()
                .' action classes; more pairs cannot mend that.';
        }
        foreach ($missed as $class) {
            ['n' => $in, 'agree' => $agree] = $tally->perClass[$class];
            $reasons[] = "Class {$policy->className($class)}: only {$agree} of {$in} agree, which by itself rules out {$needed}.";
        }
        foreach ($lacking as $class => $further) {
            ['n' => $in, 'agree' => $agree] = $tally->perClass[$class];
            $reasons[] = "Class {$policy->className($class)} was asked ".Words::times($in).' and agreed '.Words::times($agree).'; '
                ."it needs at least {$further} more agreeing results.";
        }
        foreach ($tally->cut as $band => $pairs) {
            $reasons[] = "An action limit cuts the band {$band}; it counts by its middle in {$pairs} ".Words::pairs($pairs).'.';
        }
        foreach ($tally->mute as $band => $pairs) {
            $reasons[] = "An action limit cuts the open band {$band}, which cannot sort; it counts as a miss in {$pairs} ".Words::pairs($pairs).'.';
        }
        if ($more !== null && $more > 0) {
            $reasons[] = "With no further miss, {$more} more ".Words::pairs($more).' would prove it.';
        }

        return $reasons;
    }
}
