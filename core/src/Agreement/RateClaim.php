<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

/**
 * Rate: can the test's number size a rate?
 *
 * Rule: stands when the outer ends of both limits' intervals lie within ± allowable and no trend is seen;
 *   falls when the inner end of either lies beyond it; untested below 5 pairs; unable for bands; else open.
 * Source: see Differences; the rule is the product's own.
 */
final readonly class RateClaim
{
    /** @param list<string> $reasons */
    private function __construct(public Verdict $verdict, public float $allowable, public array $reasons) {}

    public static function judge(?Differences $differences, int $pairs, int $mostReplicates, ?Bands $bands, Policy $policy): self
    {
        if ($pairs < SortClaim::FEWEST_PAIRS) {
            $reasons = ["Fewer than 5 pairs ({$pairs}): too few to begin."];

            return new self(Verdict::Untested, $policy->allowable, [...$reasons, ...self::bandReasons($bands, $policy)]);
        }
        if ($differences === null || $differences->lowerInterval === null || $differences->upperInterval === null) {
            return new self(Verdict::Unable, $policy->allowable, self::bandReasons($bands, $policy));
        }
        $allowed = $policy->tolerance();
        [$outerLow, $innerLow] = $differences->lowerInterval;
        [$innerHigh, $outerHigh] = $differences->upperInterval;
        $trend = $differences->trend->p !== null && $differences->trend->p < 1 - $policy->confidence;
        $verdict = match (true) {
            $innerHigh > $allowed || $innerLow < -$allowed => Verdict::Falls,
            $outerHigh <= $allowed && $outerLow >= -$allowed && ! $trend => Verdict::Stands,
            default => Verdict::Open,
        };

        return new self($verdict, $policy->allowable, self::reasons($verdict, $differences, $trend, $mostReplicates, $policy));
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['verdict' => $this->verdict->value, 'allowable' => $this->allowable, 'reasons' => $this->reasons];
    }

    /** @return list<string> */
    private static function reasons(Verdict $verdict, Differences $differences, bool $trend, int $replicates, Policy $policy): array
    {
        [$outerLow, $innerLow] = $differences->lowerInterval ?? [0.0, 0.0];
        [$innerHigh, $outerHigh] = $differences->upperInterval ?? [0.0, 0.0];
        $allowed = Words::trim($policy->tolerance());
        $on = $policy->scale === Scale::Ratio ? ' (natural logs of test over reference)' : '';
        $reasons = ['95 % of differences are estimated to lie from '.Words::trim($differences->lower ?? 0.0).' to '
            .Words::trim($differences->upper ?? 0.0)."{$on}; the limits themselves may lie anywhere from "
            .Words::trim($outerLow).' to '.Words::trim($outerHigh)."; sizing a rate allows ± {$allowed}."];
        $reasons[] = match ($verdict) {
            Verdict::Falls => 'Even the inner ends ('.Words::trim($innerLow).', '.Words::trim($innerHigh).") go beyond ± {$allowed}.",
            Verdict::Stands => "Both outer ends lie within ± {$allowed}.",
            default => $outerHigh <= $policy->tolerance() && $outerLow >= -$policy->tolerance()
                ? "Both outer ends lie within ± {$allowed}, but a trend is in the way."
                : "The outer ends go beyond ± {$allowed}, the inner ends do not: more pairs would tell.",
        };
        if ($trend) {
            $reasons[] = 'The difference changes with the level (p = '.Words::trim($differences->trend->p ?? 0.0, 4)
                .'), so constant limits do not describe it'
                .($policy->scale === Scale::Absolute ? '; the ratio scale may.' : ', also on the ratio scale.');
        }
        if ($replicates > 1) {
            $reasons[] = "It holds for the mean of up to {$replicates} readings of a sample, not for one reading.";
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
                $shown = $policy->scale === Scale::Ratio
                    ? 'a factor of '.Words::trim($band->upper / $band->lower)
                    : Words::trim($width);
                $reasons[] = "The band {$band->name} is {$shown} wide, more than twice the allowable ".Words::trim($policy->allowable).'.';
            }
        }

        return $reasons;
    }
}
