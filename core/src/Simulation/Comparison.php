<?php

declare(strict_types=1);

namespace HonestCore\Simulation;

use HonestCore\Quantity\Extent;
use HonestCore\Sampling\Draw;

/**
 * Sampling schemes on the same ground, field after made-up field: what each costs, and what it would have limed
 * wrongly.
 *
 * Quantities and units: acres, US tons of lime, hours, the user's own money; means over the fields with their standard
 * errors. `margin` is 1.96 times the root mean square error of a composite's pH against its ground's true mean.
 * Rule: ground under the limit needs lime up to the target; a composite under the limit gets the rate of its own pH all
 *   over; what is spread and not needed costs its price, what is missing costs the loss for each pH unit short.
 * Source: the product's own, from first principles; the field from CorrelatedField.
 */
final class Comparison
{
    public const PATCHES = 900;

    /**
     * @param non-empty-list<Scheme> $schemes
     * @param callable(int): list<float> $field the values of the field with a number, in the order of the lattice
     * @param callable(int): void|null $progress told how many fields are done
     * @return list<SchemeOutcome>
     */
    public static function run(
        NodeGrid $grid,
        array $schemes,
        Stakes $stakes,
        int $fields,
        callable $field,
        Draw $draw,
        ?callable $progress = null,
    ): array {
        $zeros = array_fill(0, count($schemes), 0.0);
        $sums = $squares = [
            'needless_acres' => $zeros,
            'missed_acres' => $zeros,
            'misplaced_tons' => $zeros,
            'wrong_money' => $zeros,
            'total_money' => $zeros,
            'error2' => $zeros,
        ];
        $totals = array_fill(0, count($schemes), []);
        for ($f = 0; $f < $fields; $f++) {
            $values = $field($f);
            foreach ($schemes as $s => $scheme) {
                $figures = self::trial($grid, $scheme, $stakes, $values, $draw);
                foreach ($figures as $metric => $value) {
                    $sums[$metric][$s] += $value;
                    $squares[$metric][$s] += $value ** 2;
                }
                $totals[$s][$f] = $figures['total_money'];
            }
            if ($progress !== null) {
                $progress($f + 1);
            }
        }
        $best = 0;
        foreach ($sums['total_money'] as $s => $money) {
            $best = $money < $sums['total_money'][$best] ? $s : $best;
        }

        return array_map(static function (int $s) use (
            $schemes,
            $sums,
            $squares,
            $totals,
            $stakes,
            $grid,
            $fields,
            $best,
        ): SchemeOutcome {
            $scheme = $schemes[$s];
            $figure = static fn (string $metric): Figure => Figure::of(
                $sums[$metric][$s],
                $squares[$metric][$s],
                $fields,
            );

            return new SchemeOutcome(
                $scheme,
                $stakes->hours($scheme->samples() * $scheme->cores, $grid->areaM2),
                $scheme->samples() * $stakes->labFee,
                1.96 * sqrt($sums['error2'][$s] / $fields),
                $figure('needless_acres'),
                $figure('missed_acres'),
                $figure('misplaced_tons'),
                $figure('wrong_money'),
                $figure('total_money'),
                $s === $best,
                $s !== $best && self::isDearer($totals[$s], $totals[$best]),
            );
        }, array_keys($schemes));
    }

    /**
     * @param list<float> $values
     * @return array{needless_acres: float, missed_acres: float, misplaced_tons: float, wrong_money: float,
     *     total_money: float, error2: float}
     */
    private static function trial(NodeGrid $grid, Scheme $scheme, Stakes $stakes, array $values, Draw $draw): array
    {
        $acres = $grid->patchM2() / Extent::M2_PER_ACRE;
        [$needless, $missed, $over, $short, $error2] = [0, 0, 0.0, 0.0, 0.0];
        foreach ($scheme->composites as $nodes) {
            $n = count($nodes);
            [$sum, $truth] = [0.0, 0.0];
            for ($k = 0; $k < $scheme->cores; $k++) {
                $sum += $values[$nodes[(int) ($draw->share() * $n)]];
            }
            $ph = $sum / $scheme->cores + $stakes->labSdPh * self::normal($draw);
            $rate = $stakes->need($ph);
            foreach ($nodes as $node) {
                $truth += $values[$node];
                $need = $stakes->need($values[$node]);
                $needless += $rate > 0 && $need <= 0 ? 1 : 0;
                $missed += $rate <= 0 && $need > 0 ? 1 : 0;
                $over += max(0.0, $rate - $need);
                $short += max(0.0, $need - $rate);
            }
            $error2 += ($ph - $truth / $n) ** 2 / count($scheme->composites);
        }
        $wrong =
            $over * $acres * $stakes->limePricePerTon +
            ($stakes->tonsPerAcreAndPh > 0
                ? (($short * $acres) / $stakes->tonsPerAcreAndPh) * $stakes->lossPerAcreAndPh
                : 0.0);
        $cores = $scheme->samples() * $scheme->cores;

        return [
            'needless_acres' => $needless * $acres,
            'missed_acres' => $missed * $acres,
            'misplaced_tons' => ($over + $short) * $acres,
            'wrong_money' => $wrong,
            'total_money' => $wrong +
                $scheme->samples() * $stakes->labFee +
                $stakes->hours($cores, $grid->areaM2) * $stakes->wagePerHour,
            'error2' => $error2,
        ];
    }

    /**
     * Is one scheme dearer than another by more than chance, field by field?
     *
     * @param array<int, float> $one
     * @param array<int, float> $other
     */
    private static function isDearer(array $one, array $other): bool
    {
        $differences = array_map(static fn (float $a, float $b): float => $a - $b, $one, $other);
        $figure = Figure::of(
            array_sum($differences),
            array_sum(array_map(static fn (float $d): float => $d * $d, $differences)),
            count($differences),
        );

        return $figure->mean > 1.96 * $figure->error && $figure->mean > 0;
    }

    private static function normal(Draw $draw): float
    {
        return sqrt(-2 * log(max(1e-300, 1 - $draw->share()))) * cos(2 * M_PI * $draw->share());
    }
}
