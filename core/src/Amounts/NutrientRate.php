<?php

declare(strict_types=1);

namespace HonestCore\Amounts;

use HonestCore\Quantity\AreaRate;
use HonestCore\Table\RuleTable;

/**
 * Phosphate or potash for a year, by build-up and maintenance or by sufficiency.
 *
 * Quantity and unit: lb of P2O5 or K2O an acre; `build` and `removal` are its two parts.
 * Domain: limits of Mehlich-3 or one's own; without limits no class and no figure. A value on a limit belongs above it.
 * Source: the contract of `nutrient:rate`; data/nutrient-limits.json.
 */
final readonly class NutrientRate
{
    /**
     * @param 'build'|'maintain'|'none'|null $class
     * @param array{float|null, float|null} $between
     * @param list<string> $reasons
     */
    private function __construct(
        public string $analyte,
        public ?string $class,
        public ?float $lbPerAcre,
        public ?float $build,
        public ?float $removal,
        public ?bool $tooClose,
        public array $between,
        public array $reasons,
    ) {}

    public static function of(NutrientQuestion $asked): self
    {
        $limits = self::limitsOf($asked);
        $reasons = self::reasons($asked, $limits);
        if ($limits === null) {
            return new self($asked->analyte, null, null, null, null, null, [null, null], $reasons);
        }
        $class = self::classOf($asked->value, $limits);
        [$rate, $build, $removal] = self::rate($asked, $asked->value, $limits);
        [$low, $high] = [max(0.0, $asked->value - 2 * $asked->u), $asked->value + 2 * $asked->u];
        $tooClose = self::classOf($low, $limits) !== $class || self::classOf($high, $limits) !== $class;

        return new self(
            $asked->analyte,
            $class,
            $rate,
            $build,
            $removal,
            $tooClose,
            [self::rate($asked, $high, $limits)[0], self::rate($asked, $low, $limits)[0]],
            [
                ...$reasons,
                ...$tooClose ? ['Too close to call: within its uncertainty the test lies in another class too.'] : [],
            ],
        );
    }

    /** @return array{float, float}|null critical level and limit; null where none are known for what is asked */
    public static function limitsOf(NutrientQuestion $asked): ?array
    {
        if ($asked->ownLimits !== null) {
            return $asked->ownLimits;
        }
        /**
         * @var array{extractant: string, low_cec: float|int, p: array<string, array{float|int, float|int}>,
         * k: array{float|int, float|int}, k_low_cec: array{float|int, float|int}} $table
         */
        $table = RuleTable::named('nutrient-limits');
        $row = match (true) {
            $asked->extractant !== $table['extractant'] => null,
            $asked->analyte === 'p' => $table['p'][$asked->crop],
            $asked->cec === null => null,
            default => $asked->cec < $table['low_cec'] ? $table['k_low_cec'] : $table['k'],
        };

        return $row === null ? null : [(float) $row[0], (float) $row[1]];
    }

    /**
     * @param array{float, float} $limits
     * @return 'build'|'maintain'|'none'
     */
    private static function classOf(float $value, array $limits): string
    {
        return $value < $limits[0] ? 'build' : ($value < $limits[1] ? 'maintain' : 'none');
    }

    /**
     * @param array{float, float} $limits
     * @return array{float|null, float|null, float|null} rate, and its parts of building up and of removal
     */
    private static function rate(NutrientQuestion $asked, float $value, array $limits): array
    {
        $class = self::classOf($value, $limits);
        if ($asked->bySufficiency) {
            return [self::sufficing($asked, $value, $limits), null, null];
        }
        if ($class === 'none') {
            return [0.0, 0.0, 0.0];
        }
        [$removal, $each] = [self::removal($asked), self::each($asked)];
        $build =
            $class === 'maintain' ? 0.0 : ($each === null ? null : (($limits[0] - $value) * $each) / $asked->years);

        return [$build === null || $removal === null ? null : $build + $removal, $build, $removal];
    }

    /** @param array{float, float} $limits */
    private static function sufficing(NutrientQuestion $asked, float $value, array $limits): float
    {
        return self::classOf($value, $limits) === 'none' || $limits[0] <= 0.0
            ? 0.0
            : ($asked->x0 ?? 0.0) * max(0.0, 1 - $value / $limits[0]);
    }

    /** What the crop removes; null where the yield or its removal is not known. */
    private static function removal(NutrientQuestion $asked): ?float
    {
        /** @var array{removal: array<string, array{float, float}>} $table */
        $table = RuleTable::named('nutrient-limits');
        $each = $asked->removedEach ?? $table['removal'][$asked->crop][$asked->analyte === 'p' ? 0 : 1];

        return $asked->yield === null || $each === false ? null : $asked->yield * $each;
    }

    /** Pounds of the oxide for each ppm to be gained; null where the exchange capacity is wanted and not known. */
    public static function each(NutrientQuestion $asked): ?float
    {
        /** @var array{build_p: float|int, build_k: array{float|int, float}} $table */
        $table = RuleTable::named('nutrient-limits');

        return match (true) {
            $asked->analyte === 'p' => (float) $table['build_p'],
            $asked->cec === null => null,
            default => $table['build_k'][0] * (1 + $table['build_k'][1] * $asked->cec),
        };
    }

    /**
     * @param array{float, float}|null $limits
     * @return list<string>
     */
    private static function reasons(NutrientQuestion $asked, ?array $limits): array
    {
        $class = $limits === null ? null : self::classOf($asked->value, $limits);
        $reasons = $class === null ? self::withoutLimits($asked) : self::withLimits($asked, $class);

        return array_keys(array_filter($reasons));
    }

    /** @return array<string, bool> */
    private static function withoutLimits(NutrientQuestion $asked): array
    {
        /** @var array{extractant: string} $table */
        $table = RuleTable::named('nutrient-limits');
        $known = $asked->extractant === $table['extractant'];

        return [
            "There are no limits for {$asked->extractant} here: limits belong to their extractant. Give your own."
                => $asked->ownLimits === null && ! $known,
            'The limits of potassium hang on the exchange capacity, which is not given.'
                => $asked->analyte === 'k' && $asked->cec === null && $known,
        ];
    }

    /** @return array<string, bool> */
    private static function withLimits(NutrientQuestion $asked, string $class): array
    {
        return [
            'Limits and removal: Tri-State 2020, written from memory.' => $asked->ownLimits === null,
            'Without a yield what the crop removes is not known, and the rate is not either.'
                => ! $asked->bySufficiency && $asked->yield === null && $asked->removedEach !== false && $class !== 'none',
            'What this crop removes stands in no table here, so that building up and maintaining has no figure.'
                => ! $asked->bySufficiency && $asked->removedEach === false && $class !== 'none',
            'Without the exchange capacity the build-up of potassium is not known.'
                => ! $asked->bySufficiency && $asked->analyte === 'k' && $asked->cec === null && $class === 'build',
            'At its limit or over it: none, and no product may bring any.' => $class === 'none',
        ];
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'analyte' => $this->analyte,
            'nutrient' => $this->analyte === 'p' ? 'P2O5' : 'K2O',
            'class' => $this->class,
            ...AreaRate::shown($this->lbPerAcre),
            'build' => $this->build,
            'removal' => $this->removal,
            'too_close' => $this->tooClose,
            'between' => $this->between,
            'reasons' => $this->reasons,
        ];
    }
}
