<?php

declare(strict_types=1);

namespace HonestCore\Amounts;

use HonestCore\Error\BadOption;
use HonestCore\Table\Number;
use HonestCore\Table\RuleTable;

/**
 * When nitrogen goes on, and how much of it each time.
 *
 * Quantity and unit: days after planting, shares of the whole; a cap in lb N a dressing, which holds on soils of
 * little exchange capacity.
 * Domain: days 0 or more, shares 0 to 1 that add up to 1 within 1e-6, cap above 0.
 */
final readonly class NitrogenSplits
{
    /** @param non-empty-list<array{float, float}> $parts day and share */
    private function __construct(private array $parts) {}

    /** @throws BadOption */
    public static function parse(string $notation): self
    {
        $parts = [];
        foreach (explode(',', $notation) as $part) {
            $pair = explode(':', trim($part));
            [$day, $share] = count($pair) === 2 ? [Number::parse($pair[0]), Number::parse($pair[1])] : [null, null];
            if ($day === null || $share === null || $day < 0 || $share < 0 || $share > 1 + 1e-6) {
                throw new BadOption('splits_no_split', ['part' => $part]);
            }
            $parts[] = [$day, $share];
        }
        $sum = array_sum(array_column($parts, 1));

        return abs($sum - 1) <= 1e-6
            ? new self($parts)
            : throw new BadOption('splits_do_not_add_up', ['sum' => $sum]);
    }

    /** @return list<array{day: float|null, lb_per_acre: float}> */
    public function of(float $lbPerAcre, ?float $cec, float $cap): array
    {
        /** @var array{low_cec: float|int} $table */
        $table = RuleTable::named('nitrogen');
        $splits = array_map(
            static fn (array $part): array => ['day' => $part[0], 'lb_per_acre' => $lbPerAcre * $part[1]],
            $this->parts,
        );
        if ($cec === null || $cec >= $table['low_cec'] || max(array_column($splits, 'lb_per_acre')) <= $cap + 1e-9) {
            return $splits;
        }
        $n = max((int) ceil($lbPerAcre / $cap - 1e-9), count($splits));

        return array_fill(0, $n, ['day' => null, 'lb_per_acre' => $lbPerAcre / $n]);
    }
}
