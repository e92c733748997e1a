<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

use HonestCore\Statistics\BinomialBound;

/**
 * Track: can the test see the change we care about?
 *
 * Rule: stands when the detectable change at the upper end of the repeatability's interval is no more than
 *   the change to see, and so is the smallest step of the scale, falls when at the lower end it is more, or that step
 * is; untested below 5 degrees of freedom; unable
 *   for bands; else open.
 * Source: see Repeatability; the rule is the product's own.
 */
final readonly class TrackClaim
{
    private const FEWEST_DEGREES = 5;

    /** @param list<string> $reasons */
    private function __construct(
        public Verdict $verdict,
        public Repeatability $repeatability,
        public array $reasons,
        private float $resolution,
    ) {}

    public static function judge(Repeatability $repeatability, Policy $policy): self
    {
        $verdict = self::verdict($repeatability, $policy);

        return new self($verdict, $repeatability, self::reasons($verdict, $repeatability, $policy), $policy->step());
    }

    /** The same figures, with the verdict left open for a reason of its own. */
    public function left(string $why): self
    {
        return new self(
            Verdict::Open,
            $this->repeatability,
            [$why, ...$this->reasons],
            $this->resolution,
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'verdict' => $this->verdict->value,
            'sd_within' => $this->repeatability->sd,
            'df' => $this->repeatability->degrees,
            'sd_within_ci' => $this->repeatability->interval,
            'detectable_change' => $this->repeatability->detectableChange($this->resolution),
            'reasons' => $this->reasons,
        ];
    }

    private static function verdict(Repeatability $repeatability, Policy $policy): Verdict
    {
        if ($repeatability->degrees < self::FEWEST_DEGREES) {
            return Verdict::Untested;
        }
        if ($repeatability->interval === null) {
            return Verdict::Unable;
        }
        [$low, $high] = $repeatability->interval;
        $seen = $policy->changeToSee() + BinomialBound::REACHED;

        return match (true) {
            $policy->step() > $seen || Repeatability::FACTOR * $low > $seen => Verdict::Falls,
            Repeatability::FACTOR * $high <= $seen => Verdict::Stands,
            default => Verdict::Open,
        };
    }

    /** @return list<string> */
    private static function reasons(Verdict $verdict, Repeatability $repeatability, Policy $policy): array
    {
        if ($repeatability->degrees === 0) {
            return ['No sample was read twice by this test, so its repeatability is not known.'];
        }
        if ($repeatability->interval === null || $repeatability->sd === null) {
            $reasons = ['Bands have no standard deviation; a change smaller than a band cannot be seen.'];
            if ($verdict === Verdict::Untested) {
                array_unshift(
                    $reasons,
                    "Fewer than 5 degrees of freedom ({$repeatability->degrees}): too few to begin.",
                );
            }

            return $reasons;
        }
        [$low, $high] = array_map(
            static fn (float $sd): string => Words::trim(Repeatability::FACTOR * $sd),
            $repeatability->interval,
        );
        $wanted = Words::trim($policy->changeToSee());
        $on = $policy->scale === Scale::Ratio ? ' on natural logs' : '';
        $reasons = [
            'Two readings of the same soil differ by no more than '.
            Words::trim(Repeatability::FACTOR * $repeatability->sd).
            " in 95 % of cases{$on}; with {$repeatability->degrees} degrees of freedom that figure may be {$low} to {$high};".
            " the change to see is {$wanted}.",
            'Replicates of one run speak of repeatability only: another day, lot or reader adds to it.',
        ];
        if ($verdict === Verdict::Untested) {
            $reasons[] = "Fewer than 5 degrees of freedom ({$repeatability->degrees}): too few to begin.";
        }
        if ($policy->step() > 0) {
            $reasons[] =
                'The smallest step of the scale is '.
                Words::trim($policy->step()).
                "{$on}: no smaller change can be seen".
                ($policy->step() > $policy->changeToSee() + BinomialBound::REACHED
                    ? ', and that is more than the change to see.'
                    : '.');
        }
        if ($repeatability->sd === 0.0) {
            $reasons[] = 'All replicates are equal: the step of the scale may hide their spread.';
        }

        return $reasons;
    }
}
