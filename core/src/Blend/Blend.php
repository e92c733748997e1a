<?php

declare(strict_types=1);

namespace HonestCore\Blend;

/**
 * The mix of products that meets a need without bringing what is not wanted.
 *
 * Quantity and unit: amounts in the unit of the needs.
 * Rule: least shortfall (each as a share of its need), then least excess of what may be exceeded, then least cost,
 * then fewest
 *   products; each aim is kept whole before the next is looked at.
 * Accuracy: 1e-6 of an aim's value forgives rounding alone.
 * Source: the contract of `blend:choose`; linear programming, see Simplex.
 */
final readonly class Blend
{
    private const ROUNDING = 1e-6;

    private const CRUMB = 1e-5;

    /** Sets of products that are tried for the fewest. */
    private const MOST_TRIED = 6000;

    /**
     * @param array<string, float> $amounts by product, those that are chosen
     * @param list<string> $reasons
     */
    private function __construct(private BlendProblem $problem, public array $amounts, public array $reasons) {}

    public static function of(BlendProblem $problem): self
    {
        [$amounts, $reached, $open, $isTheOnlyOne] = self::solve($problem, $problem->products);
        $best = self::used(self::withoutCrumbs($problem, $amounts, $reached));
        [$tried, $size] = [0, $isTheOnlyOne ? 0 : count($best)];
        $candidates = self::candidates($problem->products, $open);
        // Where nothing is short, every need has to be covered; else another mix may be short of another.
        $whole = $reached[0] > 1e-9 ? 0 : self::covering($problem, $candidates, array_keys($candidates));
        for ($k = 0; $k < $size && $tried < self::MOST_TRIED; $k++) {
            foreach (self::subsets(count($candidates), $k) as $subset) {
                if ($whole !== 0 && self::covering($problem, $candidates, $subset) !== $whole) {
                    continue;
                }
                if (++$tried > self::MOST_TRIED) {
                    break;
                }
                [$fewer, $same] = self::solve(
                    $problem,
                    array_values(array_map(static fn (int $i): BlendProduct => $candidates[$i], $subset)),
                );
                if (self::holds($same, $reached)) {
                    $best = self::used($fewer);
                    break 2;
                }
            }
        }

        return new self($problem, $best, self::reasons($problem, $best));
    }

    /**
     * Products that may still take part; of such as are alike in all and without a cap, the first.
     *
     * @param non-empty-list<BlendProduct> $products
     * @param list<string> $open
     * @return list<BlendProduct>
     */
    private static function candidates(array $products, array $open): array
    {
        $found = [];
        foreach ($products as $one) {
            if (in_array($one->name, $open, true)) {
                $grades = $one->grades;
                ksort($grades);
                $like = $one->most === null ? json_encode([$one->cost, $grades], JSON_THROW_ON_ERROR) : $one->name;
                $found[$like] ??= $one;
            }
        }

        return array_values($found);
    }

    /**
     * The needs that some of these products bring anything of, one bit each: a set that misses one cannot do what all do.
     *
     * @param list<BlendProduct> $candidates
     * @param list<int> $which
     */
    private static function covering(BlendProblem $problem, array $candidates, array $which): int
    {
        $bits = 0;
        foreach (array_keys(array_filter($problem->need)) as $bit => $nutrient) {
            foreach ($which as $i) {
                if ($candidates[$i]->share($nutrient) > 0) {
                    $bits |= 1 << $bit;
                    break;
                }
            }
        }

        return $bits;
    }

    /**
     * Amounts that a person chose, held against the same needs.
     *
     * @param array<string, float> $amounts by product; what the problem does not name is left out
     */
    public static function weighed(BlendProblem $problem, array $amounts): self
    {
        $names = array_map(static fn (BlendProduct $one): string => $one->name, $problem->products);
        $used = self::used(array_intersect_key($amounts, array_flip($names)));

        return new self($problem, $used, self::reasons($problem, $used));
    }

    /**
     * Amounts by product, what each aim reached, products that could take part, and whether no other mix does.
     *
     * @param list<BlendProduct> $products
     * @return array{array<string, float>, array{float, float, float}, list<string>, bool}
     */
    private static function solve(BlendProblem $problem, array $products): array
    {
        [$n, $needs, $capped] = [
            count($products),
            array_keys($problem->need),
            array_keys(array_filter($products, static fn (BlendProduct $one): bool => $one->most !== null)),
        ];
        // Columns: products, excess of each need, shortfall of each need, room below each cap; rows are scaled by
        // their need.
        $width = $n + 2 * count($needs) + count($capped);
        [$rows, $right, $basis] = [[], [], []];
        [$short, $over, $cost] = [array_fill(0, $width, 0.0), array_fill(0, $width, 0.0), array_fill(0, $width, 0.0)];
        foreach ($needs as $i => $nutrient) {
            $need = $problem->need[$nutrient];
            $scale = $need > 0 ? 1 / $need : 1.0;
            $row = array_fill(0, $width, 0.0);
            foreach ($products as $j => $product) {
                $row[$j] = $product->share($nutrient) * $scale;
            }
            if ($problem->mayExceed($nutrient)) {
                $row[$n + $i] = -1.0;
                $over[$n + $i] = 1.0;
            }
            $row[$n + count($needs) + $i] = 1.0;
            $short[$n + count($needs) + $i] = $need > 0 ? 1.0 : 0.0;
            [$rows[], $right[], $basis[]] = [$row, $need * $scale, $n + count($needs) + $i];
        }
        foreach ($capped as $k => $j) {
            $row = array_fill(0, $width, 0.0);
            $row[$j] = 1.0;
            $row[$n + 2 * count($needs) + $k] = 1.0;
            [$rows[], $right[], $basis[]] = [$row, (float) $products[$j]->most, $n + 2 * count($needs) + $k];
        }
        foreach ($products as $j => $product) {
            $cost[$j] = $product->cost;
        }
        $simplex = new Simplex($rows, $right, $basis);
        $reached = [
            $simplex->minimise(array_values($short)),
            $simplex->minimise(array_values($over)),
            $simplex->minimise(array_values($cost)),
        ];
        $solution = $simplex->solution();
        [$amounts, $open] = [[], []];
        foreach ($products as $j => $product) {
            $amounts[$product->name] = $solution[$j];
            if ($simplex->isOpen($j)) {
                $open[] = $product->name;
            }
        }

        return [$amounts, $reached, $open, $simplex->isTheOnlyOne()];
    }

    /**
     * Amounts of next to nothing are dropped where every aim still holds.
     *
     * @param array<string, float> $amounts
     * @param array{float, float, float} $reached
     * @return array<string, float>
     */
    private static function withoutCrumbs(BlendProblem $problem, array $amounts, array $reached): array
    {
        $whole = array_sum($amounts);
        $crumbs = array_filter(
            $amounts,
            static fn (float $amount): bool => $amount > 0 && $amount < self::CRUMB * $whole,
        );
        if ($crumbs === []) {
            return $amounts;
        }
        [$fewer, $same] = self::solve(
            $problem,
            array_values(
                array_filter($problem->products, static fn (BlendProduct $one): bool => ! isset($crumbs[$one->name])),
            ),
        );

        return self::holds($same, $reached) ? $fewer : $amounts;
    }

    /**
     * @param array{float, float, float} $found
     * @param array{float, float, float} $reached
     */
    private static function holds(array $found, array $reached): bool
    {
        foreach ($reached as $i => $value) {
            if ($found[$i] > $value + self::ROUNDING * abs($value) + 1e-9) {
                return false;
            }
        }

        return true;
    }

    /** @return \Generator<int, list<int>> */
    private static function subsets(int $n, int $k, int $from = 0): \Generator
    {
        if ($k === 0) {
            yield [];

            return;
        }
        for ($i = $from; $i <= $n - $k; $i++) {
            foreach (self::subsets($n, $k - 1, $i + 1) as $rest) {
                yield [$i, ...$rest];
            }
        }
    }

    /** @return array<string, float> by nutrient: what a chosen product brings and what is needed */
    public function supplied(): array
    {
        $supplied = array_fill_keys(array_keys($this->problem->need), 0.0);
        foreach ($this->problem->products as $product) {
            foreach (isset($this->amounts[$product->name]) ? $product->grades : [] as $nutrient => $grade) {
                $supplied[$nutrient] = ($supplied[$nutrient] ?? 0.0) + ($this->amounts[$product->name] * $grade) / 100;
            }
        }

        return array_merge(array_intersect_key(array_fill_keys(BlendProduct::NUTRIENTS, 0.0), $supplied), $supplied);
    }

    /**
     * @param array<string, float> $amounts
     * @return list<string>
     */
    private static function reasons(BlendProblem $problem, array $amounts): array
    {
        $blend = new self($problem, $amounts, []);
        $reasons = [];
        foreach ($blend->short() as $nutrient => $short) {
            if ($short > self::ROUNDING * max(1.0, $problem->need[$nutrient])) {
                $reasons[] = "Short of {$nutrient}: no product brings more of it without what may not be exceeded, ".
                    'or none is left.';
            }
        }
        foreach ($blend->over() as $nutrient => $over) {
            if ($over > self::ROUNDING * max(1.0, $problem->need[$nutrient])) {
                $reasons[] = "More {$nutrient} than is needed: it comes with the other nutrients.";
            }
        }

        return $reasons;
    }

    /** @return array<string, float> by nutrient that is needed */
    public function short(): array
    {
        $supplied = $this->supplied();

        return array_combine(
            array_keys($this->problem->need),
            array_map(
                static fn (string $nutrient, float $need): float => self::clean($need - $supplied[$nutrient], $need),
                array_keys($this->problem->need),
                $this->problem->need,
            ),
        );
    }

    /** @return array<string, float> by nutrient that is needed */
    public function over(): array
    {
        $supplied = $this->supplied();

        return array_combine(
            array_keys($this->problem->need),
            array_map(
                static fn (string $nutrient, float $need): float => self::clean($supplied[$nutrient] - $need, $need),
                array_keys($this->problem->need),
                $this->problem->need,
            ),
        );
    }

    /** What lies within rounding of nothing is nothing. */
    private static function clean(float $value, float $need): float
    {
        return $value > 1e-9 * max(1.0, $need) ? $value : 0.0;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $products = array_values(
            array_filter($this->problem->products, fn (BlendProduct $one): bool => isset($this->amounts[$one->name])),
        );

        return [
            'products' => array_map(
                fn (BlendProduct $one): array => ['name' => $one->name, 'amount' => $this->amounts[$one->name]],
                $products,
            ),
            'supplied' => $this->supplied(),
            'short' => $this->short(),
            'over' => $this->over(),
            'cost' => array_sum(
                array_map(fn (BlendProduct $one): float => $one->cost * $this->amounts[$one->name], $products),
            ),
            'reasons' => $this->reasons,
        ];
    }

    /**
     * @param array<string, float> $amounts
     * @return array<string, float> those that are spread at all
     */
    private static function used(array $amounts): array
    {
        return array_filter($amounts, static fn (float $amount): bool => $amount > 1e-9);
    }
}
