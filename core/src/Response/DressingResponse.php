<?php

declare(strict_types=1);

namespace HonestCore\Response;

use HonestCore\Error\Bounds;
use HonestCore\Error\ValueOutOfRange;
use HonestCore\Statistics\Normal;
use HonestCore\Statistics\Spread;
use HonestCore\Statistics\StudentT;

/**
 * Did the dressing do what it should? The change of treated plots against that of the control.
 *
 * Quantity and unit: the unit of the results; `u` is the standard uncertainty of one result, sampling included.
 * Variant: Welch's t with Satterthwaite's degrees of freedom where both groups have two plots or more; else by `u` and
 * the normal
 *   distribution, else no standard error. No spread at all is none to rest on.
 * Source: Welch 1947, Biometrika 34:28-35; the contract of `response:check`.
 */
final readonly class DressingResponse
{
    private const POWER = 0.8;

    /**
     * @param array{float, float}|null $interval
     * @param list<string> $reasons
     */
    private function __construct(
        public int $treated,
        public int $control,
        public float $treatedChange,
        public ?float $controlChange,
        public float $difference,
        public ?float $se,
        public ?float $df,
        public ?array $interval,
        public ?float $smallestSeen,
        public ?float $smallestWithPower,
        public string $word,
        public array $reasons,
    ) {}

    /** @throws ValueOutOfRange */
    public static function of(
        PlotChanges $plots,
        ?float $expected = null,
        ?float $u = null,
        float $confidence = 0.95,
    ): self {
        if ($expected === 0.0) {
            throw new ValueOutOfRange('expected_change', ['value' => $expected]);
        }
        Bounds::within('expected_change', $expected, -INF, INF);
        Bounds::between('uncertainty', $u, 0, INF);
        Bounds::between('confidence', $confidence, 0, 1);
        [$t, $c] = [Spread::mean($plots->treated), $plots->control === [] ? null : Spread::mean($plots->control)];
        $difference = $t - ($c ?? 0.0);
        [$se, $df] = self::standardError($plots, $u);
        $quantile = static fn (float $p): float => $df === null ? Normal::quantile($p) : StudentT::quantile($p, $df);
        $two = $quantile(1 - (1 - $confidence) / 2);
        $interval = $se === null ? null : [$difference - $two * $se, $difference + $two * $se];

        return new self(
            count($plots->treated),
            count($plots->control),
            $t,
            $c,
            $difference,
            $se,
            $df,
            $interval,
            $se === null ? null : $two * $se,
            $se === null ? null : ($two + $quantile(self::POWER)) * $se,
            ($word = self::word($plots, $difference, $interval, $expected)),
            self::reasons($word, $plots, $se, $u),
        );
    }

    /** @return array{float|null, float|null} standard error and degrees of freedom */
    private static function standardError(PlotChanges $plots, ?float $u): array
    {
        [$nT, $nC] = [count($plots->treated), count($plots->control)];
        if ($nC === 0) {
            if ($nT < 2) {
                return [$u === null ? null : $u * sqrt(2 / $nT), null];
            }
            $sd = Spread::standardDeviation($plots->treated) ?? 0.0;

            return $sd > 0 ? [$sd / sqrt($nT), (float) ($nT - 1)] : [null, null];
        }
        if ($nT < 2 || $nC < 2) {
            return [$u === null ? null : $u * sqrt(2 / $nT + 2 / $nC), null];
        }
        [$a, $b] = [
            (Spread::standardDeviation($plots->treated) ?? 0.0) ** 2 / $nT,
            (Spread::standardDeviation($plots->control === [] ? [0.0] : $plots->control) ?? 0.0) ** 2 / $nC,
        ];

        return $a + $b > 0
            ? [sqrt($a + $b), ($a + $b) ** 2 / ($a ** 2 / ($nT - 1) + $b ** 2 / ($nC - 1))]
            : [null, null];
    }

    /** @param array{float, float}|null $interval */
    private static function word(PlotChanges $plots, float $difference, ?array $interval, ?float $expected): string
    {
        if ($plots->control === []) {
            return 'no_control';
        }
        if ($interval === null) {
            return 'cannot_tell';
        }
        $inside = static fn (float $value): bool => $value >= $interval[0] && $value <= $interval[1];
        if ($expected === null) {
            return $inside(0.0) ? 'not_seen' : 'changed';
        }

        return match (true) {
            $inside(0.0) && $inside($expected) => 'cannot_tell',
            $inside(0.0) => 'not_seen',
            $inside($expected) => 'as_expected',
            default => ($difference - $expected) * ($expected <=> 0.0) < 0 ? 'less' : 'more',
        };
    }

    /** @return list<string> */
    private static function reasons(string $word, PlotChanges $plots, ?float $se, ?float $u): array
    {
        return array_keys(
            array_filter([
                'There is no control: what the season or the irrigation did stands in the change too.' => $word === 'no_control',
                'The plots leave no spread to rest on.' => $se === null && (count($plots->treated) > 1 && count($plots->control) !== 1),
                'One plot in a group needs the standard uncertainty of a result.'
                    => $se === null && $u === null && (count($plots->treated) === 1 || count($plots->control) === 1),
                'With one plot in a group the interval rests on the uncertainty given, not on the plots.'
                    => $se !== null && $u !== null && (count($plots->treated) === 1 || count($plots->control) === 1),
                'Both nothing and what was expected lie within the interval: more plots or surer results are '.
                    'needed.' => $word === 'cannot_tell' && $se !== null,
            ]),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'plots' => ['treated' => $this->treated, 'control' => $this->control],
            'change' => ['treated' => $this->treatedChange, 'control' => $this->controlChange],
            'difference' => $this->difference,
            'se' => $this->se,
            'df' => $this->df,
            'interval' => $this->interval,
            'smallest_seen' => $this->smallestSeen,
            'smallest_with_power' => $this->smallestWithPower,
            'word' => $this->word,
            'reasons' => $this->reasons,
        ];
    }
}
