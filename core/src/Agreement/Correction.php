<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

use HonestCore\Statistics\Spread;

/**
 * What a correction of the test's numbers by a fitted line would give, each sample judged by a line fitted without it.
 *
 * Quantity and unit: the unit of the readings, or natural logs on the ratio scale.
 * Domain: 8 pairs or more, with a line that rises; null where there is none. It is never applied by itself.
 * Variant: the line of test on reference by Deming or by Passing and Bablok, turned round: (test - intercept) / slope.
 * Source: leave-one-out cross-validation, any statistics handbook.
 */
final readonly class Correction
{
    public const LEAST = 8;

    /** A line flatter than this turns small noise into large corrections. */
    private const MOST_LINES = 1000;

    private const MOST_RANK_LINES = 120;

    private const FLATTEST = 0.2;

    /**
     * @param array{mean: float, sd: float, agree: int} $before
     * @param array{mean: float, sd: float, agree: int} $after
     */
    private function __construct(
        public string $by,
        public float $slope,
        public float $intercept,
        public int $n,
        public array $before,
        public array $after,
        public bool $helps,
    ) {}

    /** @param list<PairedSample> $samples numeric ones */
    public static function byDeming(array $samples, Policy $policy): ?self
    {
        return self::by('Deming', $samples, $policy, static function (array $x, array $y): array {
            $line = Deming::fit($x, $y);

            return [$line->slope, $line->intercept];
        });
    }

    /** @param list<PairedSample> $samples numeric ones */
    public static function byPassingBablok(array $samples, Policy $policy): ?self
    {
        return self::by('Passing and Bablok', $samples, $policy, static function (array $x, array $y) use (
            $policy,
        ): array {
            $line = PassingBablok::fit($x, $y, $policy->confidence);

            return [$line->slope, $line->intercept];
        });
    }

    /**
     * What corrections would give; none is ever applied. A line by ranks for each pair left out takes long past a
     * hundred, and tells no more than Deming's.
     *
     * @param list<PairedSample> $samples numeric ones
     * @return list<self>
     */
    public static function offered(array $samples, Policy $policy): array
    {
        return array_values(array_filter([
            self::byDeming(array_slice($samples, 0, self::MOST_LINES), $policy),
            count($samples) > self::MOST_RANK_LINES ? null : self::byPassingBablok($samples, $policy),
        ]));
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'by' => $this->by,
            'slope' => $this->slope,
            'intercept' => $this->intercept,
            'n' => $this->n,
            'before' => $this->before,
            'after' => $this->after,
            'helps' => $this->helps,
        ];
    }

    /**
     * @param list<PairedSample> $samples
     * @param callable(list<float>, list<float>): array{float|null, float|null} $fit
     */
    private static function by(string $name, array $samples, Policy $policy, callable $fit): ?self
    {
        $n = count($samples);
        if ($n < self::LEAST) {
            return null;
        }
        $x = array_map(static fn (PairedSample $one): float => $policy->scale->of($one->reference), $samples);
        $y = array_map(static fn (PairedSample $one): float => $policy->scale->of($one->test()), $samples);
        [$slope, $intercept] = $fit($x, $y);
        if ($slope === null || $intercept === null || $slope < self::FLATTEST) {
            return null;
        }
        $corrected = [];
        foreach ($samples as $i => $sample) {
            [$restX, $restY] = [$x, $y];
            array_splice($restX, $i, 1);
            array_splice($restY, $i, 1);
            [$b, $a] = $fit($restX, $restY);
            if ($b === null || $a === null || $b < self::FLATTEST) {
                return null;
            }
            $corrected[] = ($y[$i] - $a) / $b;
        }
        $before = self::figures($samples, $x, $y, $policy);
        $after = self::figures($samples, $x, $corrected, $policy);

        return new self(
            $name,
            $slope,
            $intercept,
            $n,
            $before,
            $after,
            self::worst($after) < self::worst($before) && $after['agree'] >= $before['agree'],
        );
    }

    /**
     * @param list<PairedSample> $samples
     * @param list<float> $reference
     * @param list<float> $test
     * @return array{mean: float, sd: float, agree: int}
     */
    private static function figures(array $samples, array $reference, array $test, Policy $policy): array
    {
        $differences = [];
        $agree = 0;
        foreach ($samples as $i => $sample) {
            $differences[] = $test[$i] - $reference[$i];
            $limits = $sample->limits ?? $policy->limits;
            $value = $policy->scale === Scale::Ratio ? exp($test[$i]) : $test[$i];
            $agree += $limits->classOfComputed($value) === $limits->classOf($sample->reference) ? 1 : 0;
        }

        return [
            'mean' => $differences === [] ? NAN : Spread::mean($differences),
            'sd' => $differences === [] ? NAN : (float) Spread::standardDeviation($differences),
            'agree' => $agree,
        ];
    }

    /** @param array{mean: float, sd: float, agree: int} $one */
    private static function worst(array $one): float
    {
        return max(abs($one['mean'] - 1.96 * $one['sd']), abs($one['mean'] + 1.96 * $one['sd']));
    }
}
