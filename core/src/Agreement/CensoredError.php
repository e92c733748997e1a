<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

use HonestCore\Statistics\ChiSquare;
use HonestCore\Statistics\Normal;
use HonestCore\Statistics\Root;

/**
 * Bias and spread of a test that gives bands: what it sees is the reference with a normal error, and of that it tells
 * only the band. Where the middles of bands would count half a band as error, this does not.
 *
 * Quantity and unit: those of the reference scale; intervals by profile likelihood, from 150 readings on by its curvature.
 * Rule: a reading of a band from l to u, of ground at x, has the likelihood Φ((u - x - b)/s) - Φ((l - x - b)/s); an open
 *   end is infinite. The likelihood is concave in 1/s and b/s, so that Newton's steps reach its one top.
 * Domain: 3 readings or more, not all of bands without an end; a spread too small for the bands to show is held at a
 *   fiftieth of the usual band.
 * Accuracy: 1e-6 against R's `survreg` of package survival (interval2, gaussian).
 * Source: Burridge 1981, Journal of the Royal Statistical Society B 43; profile likelihood, any textbook.
 */
final readonly class CensoredError
{
    private const FEWEST = 3;

    private const MANY = 150;

    /** Beyond it the tail of the normal is taken from its asymptotic series. */
    private const TAIL = 30.0;

    /**
     * @param bool $belowTheBands whether its spread is too small for the bands to show
     * @param list<array{float, float}> $ends of bands, less the reference
     */
    private function __construct(
        public int $n,
        public float $bias,
        public float $sd,
        public bool $belowTheBands,
        private array $ends,
        private float $sharpest,
    ) {}

    /** @param list<array{float, float, float}> $readings reference, lower and upper end of the band */
    public static function of(array $readings): ?self
    {
        $ends = array_map(static fn (array $one): array => [$one[1] - $one[0], $one[2] - $one[0]], $readings);
        $widths = [];
        foreach ($ends as [$from, $to]) {
            if (is_finite($from) && is_finite($to)) {
                $widths[] = $to - $from;
            }
        }
        if (count($ends) < self::FEWEST || $widths === []) {
            return null;
        }
        $least = array_sum($widths) / count($widths) / 50;
        [$sharpest, $scale] = [1 / $least, array_sum($widths) / count($widths)];
        [$theta, $gamma] = self::top($ends, 1 / $scale, $sharpest);

        return new self(
            count($ends),
            $gamma / $theta,
            1 / $theta,
            $theta >= $sharpest * (1 - 1e-9),
            $ends,
            $sharpest,
        );
    }

    /**
     * Where the reference lies, at 95 %, for one more reading of a band: every place in the band may have been seen.
     *
     * @param float $stretch by how much the spread is taken for larger, as it is itself not known well
     * @return array{float, float} an end is infinite where the band is open
     */
    public function byReference(Band $band, float $stretch = 1.0): array
    {
        [$from, $to, $sd] = [$band->lower - $this->bias, $band->upper - $this->bias, $this->sd * $stretch];
        if ($band->isOpen()) {
            $reach = Normal::quantile(0.975) * $sd;

            return [is_finite($from) ? $from - $reach : -INF, is_finite($to) ? $to + $reach : INF];
        }
        // Mean of Φ((q - v)/s) over v from l to u: s ((h(a) - h(b)) / (u - l), with h(z) = z Φ(z) + φ(z).
        $h = static fn (float $z): float => $z * Normal::cdf($z) + exp(-0.5 * $z * $z) / sqrt(2 * M_PI);
        $below = static fn (float $q): float => ($sd * ($h(($q - $from) / $sd) - $h(($q - $to) / $sd))) / ($to - $from);
        $reach = 9 * $sd + ($to - $from);

        return [
            Root::between(static fn (float $q): float => $below($q) - 0.025, $from - $reach, $to + $reach),
            Root::between(static fn (float $q): float => $below($q) - 0.975, $from - $reach, $to + $reach),
        ];
    }

    /**
     * @param list<array{float, float}> $ends of bands, less the reference
     * @return array{float, float} 1/s and b/s
     */
    private static function top(array $ends, float $theta, float $sharpest): array
    {
        $gamma = self::gammaAt($ends, $theta);
        for ($step = 0; $step < 100; $step++) {
            $at = self::derivatives($ends, $theta, $gamma);
            [$value, [$dt, $dg]] = $at;
            [$tt, $tg, $gg] = $at[2];
            $det = $tt * $gg - $tg * $tg;
            if ($det <= 0) {
                break;
            }
            [$moveT, $moveG] = [-($gg * $dt - $tg * $dg) / $det, -($tt * $dg - $tg * $dt) / $det];
            for ($share = 1.0; $share > 1e-6; $share /= 2) {
                [$t, $g] = [$theta + $share * $moveT, $gamma + $share * $moveG];
                if ($t > 0 && $t <= 2 * $sharpest && self::logLikelihood($ends, $t, $g) >= $value - 1e-12) {
                    break;
                }
            }
            $near = abs($share * $moveT) < 1e-11 * $theta && abs($share * $moveG) < 1e-11 * (1 + abs($gamma));
            [$theta, $gamma] = [max(1e-12, $theta + $share * $moveT), $gamma + $share * $moveG];
            if ($near || $theta > $sharpest) {
                break;
            }
        }

        return $theta >= $sharpest ? [$sharpest, self::gammaAt($ends, $sharpest)] : [$theta, $gamma];
    }

    /**
     * The likeliest b/s where s is given: Newton's steps, halved where they would go down.
     *
     * @param list<array{float, float}> $ends
     */
    private static function gammaAt(array $ends, float $theta, ?float $from = null): float
    {
        return self::climb(
            $from ?? $theta * self::middle($ends),
            static function (float $gamma) use ($ends, $theta): array {
                $at = self::derivatives($ends, $theta, $gamma);

                return [$at[0], $at[1][1], $at[2][2]];
            },
        );
    }

    /**
     * The top of a concave function from somewhere on it.
     *
     * @param callable(float): array{float, float, float} $at value, slope, second derivative
     */
    private static function climb(float $from, callable $at, float $least = -INF, float $most = INF): float
    {
        [$value, $slope, $second] = $at($from);
        for ($step = 0; $step < 60 && $second < 0; $step++) {
            $move = -$slope / $second;
            for ($share = 1.0; $share > 1e-7; $share /= 2) {
                $to = min($most, max($least, $from + $share * $move));
                $next = $at($to);
                if ($next[0] >= $value - 1e-12) {
                    break;
                }
            }
            $moved = abs($to - $from);
            [$from, [$value, $slope, $second]] = [$to, $next];
            if ($moved < 1e-10 * (1 + abs($from))) {
                break;
            }
        }

        return $from;
    }

    /**
     * The middle of the readings whose band has one, less the reference.
     *
     * @param list<array{float, float}> $ends
     */
    private static function middle(array $ends): float
    {
        $middles = [];
        foreach ($ends as [$from, $to]) {
            if (is_finite($from) && is_finite($to)) {
                $middles[] = ($from + $to) / 2;
            }
        }

        return $middles === [] ? 0.0 : array_sum($middles) / count($middles);
    }

    /**
     * Both intervals: by profile, or where there are many readings by the curvature at the top.
     *
     * @return array{array{float, float}, array{float, float}} of the bias, of the spread
     */
    public function intervals(float $confidence = 0.95): array
    {
        [$ends, $theta, $gamma, $sharpest] = [$this->ends, 1 / $this->sd, $this->bias / $this->sd, $this->sharpest];
        if (count($ends) > self::MANY && ! $this->belowTheBands) {
            [, , [$tt, $tg, $gg]] = self::derivatives($ends, $theta, $gamma);
            $det = $tt * $gg - $tg * $tg;
            [$vt, $vg, $vtg] = [-$gg / $det, -$tt / $det, $tg / $det];
            $z = Normal::quantile((1 + $confidence) / 2);
            $ofBias = $z * sqrt(max(0.0, $vg / $theta ** 2 - (2 * $gamma * $vtg) / $theta ** 3 + ($gamma ** 2 * $vt) / $theta ** 4));
            $ofSd = exp(($z * sqrt($vt)) / $theta);

            return [[$gamma / $theta - $ofBias, $gamma / $theta + $ofBias], [1 / $theta / $ofSd, $ofSd / $theta]];
        }
        $level = self::logLikelihood($ends, $theta, $gamma) - ChiSquare::quantile($confidence, 1.0) / 2;

        return [
            self::biasInterval($ends, $theta, $gamma, $level, $sharpest),
            self::sdInterval($ends, $theta, $level, $sharpest),
        ];
    }

    /**
     * @param list<array{float, float}> $ends
     * @return array{float, float}
     */
    private static function sdInterval(array $ends, float $theta, float $level, float $sharpest): array
    {
        $profile = static fn (float $t): float => self::logLikelihood($ends, $t, self::gammaAt($ends, $t)) - $level;
        $wide = $theta;
        for ($i = 0; $i < 60 && $profile($wide) > 0; $i++) {
            $wide /= 1.5;
        }
        $narrow = $profile($sharpest) >= 0 ? $sharpest : Root::between($profile, $theta, $sharpest);

        return [1 / $narrow, 1 / Root::between($profile, $wide, $theta)];
    }

    /**
     * @param list<array{float, float}> $ends
     * @return array{float, float}
     */
    private static function biasInterval(array $ends, float $theta, float $gamma, float $level, float $sharpest): array
    {
        $bias = $gamma / $theta;
        $profile = static function (float $b) use ($ends, $theta, $level, $sharpest): float {
            // With b held the ends move with it, and what is left is a concave function of 1/s alone.
            $moved = array_map(static fn (array $one): array => [$one[0] - $b, $one[1] - $b], $ends);
            $sharp = self::climb($theta, static function (float $t) use ($moved): array {
                [$value, [$slope], [$second]] = self::derivatives($moved, $t, 0.0);

                return [$value, $slope, $second];
            }, 1e-6 * $theta, $sharpest);

            return self::logLikelihood($moved, $sharp, 0.0) - $level;
        };
        $found = [];
        foreach ([-1, 1] as $side) {
            [$far, $step] = [$bias, 1 / $theta / sqrt(count($ends)) + 1e-6];
            for ($i = 0; $i < 60 && $profile($far) > 0; $i++, $step *= 1.4) {
                $far += $side * $step;
            }
            $found[] = $side < 0 ? Root::between($profile, $far, $bias) : Root::between($profile, $bias, $far);
        }

        return [$found[0], $found[1]];
    }

    /** @param list<array{float, float}> $ends */
    private static function logLikelihood(array $ends, float $theta, float $gamma): float
    {
        $sum = 0.0;
        foreach ($ends as [$from, $to]) {
            $sum += self::between($theta * $from - $gamma, $theta * $to - $gamma)[0];
        }

        return $sum;
    }

    /**
     * The chance p = Φ(b) - Φ(a), exact in either tail.
     *
     * @return array{float, float, float} ln p, φ(a)/p, φ(b)/p
     */
    private static function between(float $a, float $b): array
    {
        if ($b < 0) {
            [$log, $ofB, $ofA] = self::between(-$b, -$a);

            return [$log, $ofA, $ofB];
        }
        if ($a <= 0) {
            $p = Normal::cdf($b) - Normal::cdf($a);

            return [log($p), self::density($a) / $p, self::density($b) / $p];
        }
        $further = is_finite($b) ? exp(($a * $a - $b * $b) / 2) : 0.0;
        $q = self::mills($a) - ($further > 0 ? $further * self::mills($b) : 0.0);

        return [-$a * $a / 2 - log(2 * M_PI) / 2 + log($q), 1 / $q, $further / $q];
    }

    private static function density(float $z): float
    {
        return is_finite($z) ? exp(-0.5 * $z * $z) / sqrt(2 * M_PI) : 0.0;
    }

    /** (1 - Φ(z))/φ(z) for z of 0 or more. */
    private static function mills(float $z): float
    {
        return $z < self::TAIL
            ? Normal::cdf(-$z) / self::density($z)
            : (1 - 1 / $z ** 2 + 3 / $z ** 4 - 15 / $z ** 6) / $z;
    }

    /**
     * @param list<array{float, float}> $ends
     * @return array{float, array{float, float}, array{float, float, float}} value, slopes, second derivatives
     */
    private static function derivatives(array $ends, float $theta, float $gamma): array
    {
        [$value, $dt, $dg, $tt, $tg, $gg] = [0.0, 0.0, 0.0, 0.0, 0.0, 0.0];
        foreach ($ends as [$from, $to]) {
            [$a, $b] = [$theta * $from - $gamma, $theta * $to - $gamma];
            [$log, $fa, $fb] = self::between($a, $b);
            $value += $log;
            [$l, $za] = is_finite($a) ? [$from, $a] : [0.0, 0.0];
            [$u, $zb] = is_finite($b) ? [$to, $b] : [0.0, 0.0];
            [$t, $g] = [$fb * $u - $fa * $l, $fa - $fb];
            $dt += $t;
            $dg += $g;
            $tt += -$zb * $fb * $u * $u + $za * $fa * $l * $l - $t * $t;
            $tg += $zb * $fb * $u - $za * $fa * $l - $t * $g;
            $gg += -$zb * $fb + $za * $fa - $g * $g;
        }

        return [$value, [$dt, $dg], [$tt, $tg, $gg]];
    }
}
