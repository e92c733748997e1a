<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

use HonestCore\Statistics\Normal;
use HonestCore\Statistics\Spread;

/**
 * Lin's concordance correlation coefficient.
 *
 * Quantity and unit: -1 to 1, no unit; 1 only when every test equals its reference.
 * Domain: 2 pairs with spread; the interval needs 3 pairs, spread in both, and a coefficient inside ±1.
 * Variant: variances with divisor n; Fisher's z interval with the variance as corrected in 2000.
 * Source: Lin 1989, Biometrics 45:255-268; correction Lin 2000, Biometrics 56:324-325.
 */
final readonly class Concordance
{
    /** @param array{float, float}|null $interval */
    private function __construct(public ?float $coefficient, public ?array $interval) {}

    /**
     * @param list<float> $reference
     * @param list<float> $test
     */
    public static function of(array $reference, array $test, float $confidence): self
    {
        $n = count($reference);
        if ($reference === [] || $test === [] || $n < 2) {
            return new self(null, null);
        }
        $vx = Spread::sumOfSquares($reference) / $n;
        $vy = Spread::sumOfSquares($test) / $n;
        [$meanX, $meanY] = [Spread::mean($reference), Spread::mean($test)];
        $xy = 0.0;
        foreach ($reference as $i => $x) {
            $xy += ($x - $meanX) * ($test[$i] - $meanY);
        }
        $covariance = $xy / $n;
        $whole = $vx + $vy + ($meanX - $meanY) ** 2;
        if ($whole <= 0) {
            return new self(null, null);
        }
        $ccc = $reference === $test ? 1.0 : (2 * $covariance) / $whole;
        $interval =
            $n < 3 || $vx <= 0 || $vy <= 0 || abs($ccc) > 1 - 1e-12
                ? null
                : self::interval($ccc, $covariance / sqrt($vx * $vy), $vx, $vy, $meanX - $meanY, $n, $confidence);

        return new self($ccc, $interval);
    }

    /** @return array{float, float} */
    private static function interval(
        float $ccc,
        float $correlation,
        float $vx,
        float $vy,
        float $shift,
        int $n,
        float $confidence,
    ): array {
        $u2 = ($shift * $shift) / sqrt($vx * $vy);
        $accuracy = 2 / (sqrt($vx / $vy) + sqrt($vy / $vx) + $u2);
        $rest = 1 - $ccc * $ccc;
        $variance =
            (((1 - $correlation ** 2) * $accuracy ** 2) / $rest +
                (2 * $ccc ** 2 * $accuracy * (1 - $ccc) * $u2) / $rest ** 2 -
                ($accuracy ** 2 * $ccc ** 2 * $u2 ** 2) / (2 * $rest ** 2)) /
            ($n - 2);
        $reach = Normal::quantile((1 + $confidence) / 2) * sqrt(max(0.0, $variance));
        $z = atanh($ccc);

        return [tanh($z - $reach), tanh($z + $reach)];
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['ccc' => $this->coefficient, 'ci' => $this->interval];
    }
}
