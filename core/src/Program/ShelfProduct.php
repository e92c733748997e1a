<?php

declare(strict_types=1);

namespace HonestCore\Program;

use HonestCore\Agronomy\Lime\LimeMaterial;
use HonestCore\Blend\BlendProduct;
use HonestCore\Error\BadTable;
use HonestCore\Error\Bounds;
use HonestCore\Error\ValueOutOfRange;
use HonestCore\Table\Fields;
use HonestCore\Table\RuleTable;
use HonestCore\Table\Stored;

/**
 * A product of the shelf: what is in it, what its lime is worth, how heavy it lies, how it is sold, and how it acts.
 *
 * Quantity and unit: grades in percent of its mass; lime by carbonate equivalent, share through 8 and 60 mesh and water, %;
 * bulk density in g/cm3; a bag in lb, null in bulk; the price of a bag, in bulk of a ton of 2,000 lb, null where nobody said;
 * `most` in lb an acre in one dressing.
 * Domain: grades 0 to 100 that add up to 100 at most; density 0.05 to 3; bag and price above 0.
 * Source: data/products.json for those that ship; generic, without brands.
 */
final readonly class ShelfProduct implements Stored
{
    private const SULPHUR = 'sulphur';

    private const LB_PER_TON = 2000.0;

    /** Pounds in a US cup of water: 236.5882365 mL a cup, 453.59237 g a pound (exact definitions). */
    private const LB_PER_CUP_OF_WATER = 236.5882365 / 453.59237;

    /** @param array<string, float> $grades */
    private function __construct(
        public string $code,
        public string $name,
        public string $kind,
        public array $grades,
        public ?LimeMaterial $lime,
        public ?float $density,
        public ?float $bagLb,
        public ?float $price,
        public bool $isOrganic,
        public bool $isSlow,
        public bool $isAmmonium,
        public bool $isNitrate,
        public ?float $most,
        public bool $isOn,
    ) {}

    /** @throws ValueOutOfRange */
    public static function fromRow(array $row): self
    {
        $fields = new Fields($row);
        $name = trim($fields->text('name'));
        $kind = $fields->text('kind');
        if ($name === '' || mb_strlen($name) > 80) {
            throw new ValueOutOfRange('name_of_product', ['name' => mb_substr($name, 0, 80)]);
        }
        if (! isset(self::kinds()[$kind])) {
            throw new ValueOutOfRange('kind_of_product', ['kind' => $kind, 'known' => implode(', ', array_keys(self::kinds()))]);
        }
        $grades = self::gradesOf($name, $fields);
        Bounds::within('density_of_product', $fields->numberOrNull('density'), 0.05, 3, ['unit' => 'g/cm3']);
        Bounds::between('bag_of_product', $fields->numberOrNull('bag_lb'), 0, 5000, ['unit' => 'lb']);
        Bounds::between('price_of_product', $fields->numberOrNull('price'), 0, 1e6);
        Bounds::between('most_of_product', $fields->numberOrNull('most'), 0, 1e6, ['unit' => 'lb/acre']);
        $cce = $fields->numberOrNull('cce');

        return new self(
            $fields->text('code', ''),
            $name,
            $kind,
            $grades,
            $cce === null
                ? null
                : LimeMaterial::ground($cce, $fields->number('p8', 100.0), $fields->number('p60', 100.0), $fields->number('water', 0.0)),
            $fields->numberOrNull('density'),
            $fields->numberOrNull('bag_lb'),
            $fields->numberOrNull('price'),
            $fields->flag('organic', false),
            $fields->flag('slow', false),
            $fields->flag('ammonium', false),
            $fields->flag('nitrate', false),
            $fields->numberOrNull('most'),
            ! $fields->flag('off', false),
        );
    }

    /**
     * @return array<string, float> those above 0
     *
     * @throws ValueOutOfRange
     */
    private static function gradesOf(string $name, Fields $fields): array
    {
        $grades = [];
        foreach ($fields->named('grades') as $nutrient => $grade) {
            $known = in_array($nutrient, BlendProduct::NUTRIENTS, true) && $nutrient !== 'lime';
            if (! $known || ! (is_int($grade) || is_float($grade)) || $grade < 0 || $grade > 100) {
                throw new ValueOutOfRange('grade_of_product', [
                    'name' => $name,
                    'nutrient' => $nutrient,
                    'known' => implode(', ', array_diff(BlendProduct::NUTRIENTS, ['lime'])),
                ]);
            }
            $grades += $grade > 0 ? [$nutrient => (float) $grade] : [];
        }
        if (array_sum($grades) > 100 + 1e-9) {
            throw new ValueOutOfRange('grades_of_product', ['name' => $name, 'value' => array_sum($grades)]);
        }

        return $grades;
    }

    public function toRow(): array
    {
        return [
            'code' => $this->code,
            'name' => $this->name,
            'kind' => $this->kind,
            'grades' => $this->grades,
            'cce' => $this->lime?->ccePercent,
            'p8' => $this->lime?->through8,
            'p60' => $this->lime?->through60,
            'water' => $this->lime?->moisture,
            'density' => $this->density,
            'bag_lb' => $this->bagLb,
            'price' => $this->price,
            'organic' => $this->isOrganic,
            'slow' => $this->isSlow,
            'ammonium' => $this->isAmmonium,
            'nitrate' => $this->isNitrate,
            'most' => $this->most,
            'off' => ! $this->isOn,
        ];
    }

    /**
     * Those that ship, by code.
     *
     * @return array<string, self>
     *
     * @throws BadTable
     */
    public static function shipped(): array
    {
        $products = [];
        foreach ((new Fields(RuleTable::named('products')))->named('products') as $code => $row) {
            $products[$code] = self::fromRow(['code' => $code] + (is_array($row) ? $row : []));
        }

        return $products;
    }

    /**
     * What kinds there are, each with its cautions.
     *
     * @return array<string, list<string>>
     */
    public static function kinds(): array
    {
        $kinds = [];
        foreach ((new Fields(RuleTable::named('program-cautions')))->named('kinds') as $kind => $words) {
            $kinds[$kind] = array_values(array_filter(is_array($words) ? $words : [], is_string(...)));
        }

        return $kinds;
    }

    /** @return list<string> */
    public function cautions(): array
    {
        return self::kinds()[$this->kind] ?? [];
    }

    /** Share of its mass that works as pure fine carbonate, 0 to 1.8. */
    public function effectiveness(): float
    {
        return $this->lime?->effectiveness() ?? 0.0;
    }

    /**
     * What so many lb an acre of it bring: limestone of the kind that schools are made for, elemental sulphur, nutrients.
     *
     * @return array<string, float> lb an acre, by what program lines are of
     */
    public function brings(float $lbPerAcre): array
    {
        $brings = array_map(static fn (float $percent): float => ($percent * $lbPerAcre) / 100, $this->grades);
        if ($this->kind === self::SULPHUR) {
            $brings = ['sulphur' => $brings['s'] ?? 0.0] + array_diff_key($brings, ['s' => 0]);
        }
        $lime = ($this->effectiveness() / LimeMaterial::reference()->effectiveness()) * $lbPerAcre;

        return $brings + ($lime > 0 ? ['lime' => $lime] : []);
    }

    public function pricePerLb(): ?float
    {
        return $this->price === null ? null : $this->price / ($this->bagLb ?? self::LB_PER_TON);
    }

    /** What a level US cup of it weighs, in pounds; null where nobody said how heavy it lies. */
    public function lbPerCup(): ?float
    {
        return $this->density === null ? null : $this->density * self::LB_PER_CUP_OF_WATER;
    }

    /** The numbers of the bag: N, P2O5 and K2O in percent. */
    public function grade(): string
    {
        return implode(
            '-',
            array_map(
                fn (string $nutrient): string => rtrim(rtrim(number_format($this->grades[$nutrient] ?? 0.0, 1), '0'), '.'),
                ['n', 'p2o5', 'k2o'],
            ),
        );
    }

    /**
     * As the linear programme takes it, by its code.
     *
     * @param float $cost for a pound
     * @return array<string, mixed>
     */
    public function forBlend(float $cost): array
    {
        return [
            'name' => $this->code,
            'cost' => $cost,
            ...$this->grades,
            ...$this->lime === null ? [] : ['lime' => 100 * $this->effectiveness()],
            ...$this->most === null ? [] : ['most' => $this->most],
        ];
    }
}
