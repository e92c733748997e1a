<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

use HonestCore\Statistics\BinomialBound;

/**
 * Rate: can the test's number size a rate?
 *
 * Rule: stands when at both ends of the readings the outer ends of both limits' intervals lie within ± allowable, the
 * required share
 *   of differences is proven to be no larger, and their spread does not change with the level; falls when at either
 * end the inner end
 *   of either lies beyond it and a share of 95 % is refuted; untested below 5 pairs; unable for bands; with fewer than
 * 3 clusters, or
 *   none of the degrees of freedom left, and else, open.
 * Source: see LimitsAtEnds and ShareWithin; the rule is the product's own.
 */
final readonly class RateClaim
{
    /** The share that limits of agreement are made for. */
    private const USUAL_SHARE = 0.95;

    /** @param list<string> $reasons */
    private function __construct(
        public Verdict $verdict,
        public float $allowable,
        public ?ShareWithin $within,
        public array $reasons,
    ) {}

    public static function judge(
        ?Differences $differences,
        int $pairs,
        int $mostReplicates,
        ?Bands $bands,
        Policy $policy,
        ?Clusters $clusters = null,
    ): self {
        $clusters ??= Clusters::none();
        $within =
            $differences === null || $differences->differences === []
                ? null
                : ShareWithin::of($differences->differences, $policy->tolerance(), $policy->confidence, $clusters);
        if ($pairs < SortClaim::FEWEST_PAIRS) {
            $reasons = ["Fewer than 5 pairs ({$pairs}): too few to begin."];

            return new self(Verdict::Untested, $policy->allowable, $within, [
                ...$reasons,
                ...self::bandReasons($bands, $policy),
            ]);
        }
        if ($differences === null || $within === null) {
            return new self(Verdict::Unable, $policy->allowable, null, self::bandReasons($bands, $policy));
        }
        $ends = $differences->atEnds;
        [$allowed, $p] = [$policy->tolerance() + BinomialBound::REACHED, $ends?->spreadP];
        $uneven = $p !== null && $p < 1 - $policy->confidence;
        $verdict = match (true) {
            $ends === null, $clusters->areTooFew() => Verdict::Open,
            $ends->goBeyond($allowed) && $within->upper < self::USUAL_SHARE => Verdict::Falls,
            $ends->stayWithin($allowed) && $within->lower >= $policy->required - BinomialBound::REACHED && ! $uneven => Verdict::Stands,
            default => Verdict::Open,
        };

        return new self($verdict, $policy->allowable, $within, [
            ...$ends === null
                ? ['The pairs share so few clusters that no degree of freedom is left for the limits.']
                : self::reasons($verdict, $ends, $within, $uneven, $policy),
            ...$clusters->areTooFew()
                ? [
                    'Fewer than '.
                    Clusters::FEWEST.
                    ' clusters: they prove and refute nothing, however many pairs they hold.',
                ]
                : [],
            ...$mostReplicates > 1
                ? ["It holds for the mean of up to {$mostReplicates} readings of a sample, not for one reading."]
                : [],
        ]);
    }

    /** The same figures, with the verdict left open for a reason of its own. */
    public function left(string $why): self
    {
        return new self(
            Verdict::Open,
            $this->allowable,
            $this->within,
            [$why, ...$this->reasons],
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'verdict' => $this->verdict->value,
            'allowable' => $this->allowable,
            'within' => $this->within?->toArray(),
            'reasons' => $this->reasons,
        ];
    }

    /** @return list<string> */
    private static function reasons(
        Verdict $verdict,
        LimitsAtEnds $ends,
        ShareWithin $within,
        bool $uneven,
        Policy $policy,
    ): array {
        $allowed = Words::trim($policy->tolerance());
        $level = static fn (float $at): string => Words::trim($policy->scale === Scale::Ratio ? exp($at) : $at);
        $on = $policy->scale === Scale::Ratio ? ' (natural logs of test over reference)' : '';
        $reasons = [
            "It speaks for readings from {$level($ends->ends[0]['at'])} to {$level($ends->ends[1]['at'])}, the middle 80 % of them.",
        ];
        foreach ($ends->ends as $end) {
            $reasons[] =
                "At {$level($end['at'])}, 95 % of differences are estimated to lie from ".
                Words::trim($end['lower']).
                ' to '.
                Words::trim($end['upper']).
                "{$on}; these limits may reach from ".
                Words::trim($end['lower_ci'][0]).
                ' to '.
                Words::trim($end['upper_ci'][1]).
                ', and reach at least from '.
                Words::trim($end['lower_ci'][1]).
                ' to '.
                Words::trim($end['upper_ci'][0]).
                "; sizing a rate allows ± {$allowed}.";
        }
        $reasons[] =
            "{$within->n} of {$within->of} differences are no larger: a share of at least ".
            Words::percent($within->lower).
            ' and at most '.
            Words::percent($within->upper).
            ', proven whatever their shape; the limits assume a normal one.';
        $reasons[] = match (true) {
            $verdict === Verdict::Falls => "Even the inner ends go beyond ± {$allowed}.",
            $verdict === Verdict::Stands => "All outer ends lie within ± {$allowed}, and ".
                Words::percent($policy->required).
                ' is proven.',
            ! $ends->stayWithin($policy->tolerance() + BinomialBound::REACHED) &&
                ! $ends->goBeyond($policy->tolerance() + BinomialBound::REACHED)
                    => "The outer ends go beyond ± {$allowed}, the inner ends do not: more pairs would tell.",
            $ends->goBeyond($policy->tolerance() + BinomialBound::REACHED)
                    => "The inner ends go beyond ± {$allowed}, but that the share is under 95 % is not proven.",
            $within->lower < $policy->required - BinomialBound::REACHED => 'The limits hold, but the share of '.
                Words::percent($policy->required).
                ' is not proven: more pairs would tell.',
            default => 'The limits and the share hold, but the spread changes with the level.',
        };
        if ($uneven) {
            $grows = ($ends->spreadSlope ?? 0.0) > 0;
            $reasons[] =
                'The spread of the differences '.
                ($grows ? 'grows' : 'shrinks').
                ' with the level (p = '.
                Words::trim($ends->spreadP ?? 0.0, 4).
                '), so one width does not describe it'.
                ($grows && $policy->scale === Scale::Absolute ? '; the ratio scale may.' : '.');
        }

        return $reasons;
    }

    /** @return list<string> */
    private static function bandReasons(?Bands $bands, Policy $policy): array
    {
        if ($bands === null) {
            return [];
        }
        $reasons = ['A band is a range, not a number, so it cannot size a rate.'];
        $allowed = 2 * $policy->tolerance();
        foreach ($bands->bands as $band) {
            if ($band->isOpen()) {
                $reasons[] = "The band {$band->name} has an open end and no width.";

                continue;
            }
            if ($policy->scale === Scale::Ratio && $band->lower <= 0) {
                continue;
            }
            $width = $policy->scale->of($band->upper) - $policy->scale->of($band->lower);
            if ($width > $allowed + 1e-9) {
                $shown =
                    $policy->scale === Scale::Ratio
                        ? 'a factor of '.Words::trim($band->upper / $band->lower)
                        : Words::trim($width);
                $reasons[] =
                    "The band {$band->name} is {$shown} wide, more than twice the allowable ".
                    Words::trim($policy->allowable).
                    '.';
            }
        }

        return $reasons;
    }
}
