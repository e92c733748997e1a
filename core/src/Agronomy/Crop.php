<?php

declare(strict_types=1);

namespace HonestCore\Agronomy;

use HonestCore\Error\BadTable;
use HonestCore\Error\ValueOutOfRange;
use HonestCore\Table\RuleTable;

/**
 * What ground is used for, and the pH it wants.
 *
 * Quantity and unit: pH in water. Below `low` lime is asked for, from `high` on the crop is troubled, `target`
 * is what lime is sized for.
 * Source: the table in data/crops.json.
 */
final readonly class Crop
{
    /** @param list<string> $ratesFor crops of it that tables of phosphate and potash know */
    private function __construct(
        public string $code,
        public string $name,
        public float $low,
        public float $high,
        public float $target,
        public array $ratesFor = [],
    ) {}

    /**
     * @throws ValueOutOfRange for a code that the table lacks
     * @throws BadTable
     */
    public static function of(string $code): self
    {
        foreach (self::all() as $crop) {
            if ($crop->code === $code) {
                return $crop;
            }
        }
        $codes = implode(', ', array_map(static fn (self $crop): string => $crop->code, self::all()));
        throw new ValueOutOfRange('use_not_table', ['code' => $code, 'codes' => $codes]);
    }

    /**
     * The same crop between limits that a team has set.
     *
     * @throws ValueOutOfRange when they do not ascend
     */
    public function within(float $low, float $high): self
    {
        if ($low >= $high) {
            throw new ValueOutOfRange('upper_limit', ['value' => $high, 'low' => $low]);
        }

        return new self($this->code, $this->name, $low, $high, min(max($this->target, $low), $high), $this->ratesFor);
    }

    /** A crop with a range of its own. */
    public static function wanted(string $code, string $name, float $low, float $target, float $high): self
    {
        return new self($code, $name, $low, $high, $target);
    }

    /** The same ground under the name of what is wanted on it. */
    public function called(string $name): self
    {
        return new self($this->code, $name, $this->low, $this->high, $this->target, $this->ratesFor);
    }

    /**
     * The pH below which lime is asked for and from which it is too high, by crop.
     *
     * @return array<string, array{float, float}>
     *
     * @throws BadTable
     */
    public static function limits(): array
    {
        $limits = [];
        foreach (self::all() as $crop) {
            $limits[$crop->code] = [$crop->low, $crop->high];
        }

        return $limits;
    }

    /**
     * @return list<self>
     *
     * @throws BadTable
     */
    public static function all(): array
    {
        /**
         * @var array<string, array{name: string, low: float|int, high: float|int, target: float|int,
         * rates_for?: list<string>}> $rows
         */
        $rows = RuleTable::named('crops')['crops'];

        return array_map(
            static fn (string $code, array $row): self => new self(
                $code,
                $row['name'],
                (float) $row['low'],
                (float) $row['high'],
                (float) $row['target'],
                $row['rates_for'] ?? [],
            ),
            array_keys($rows),
            array_values($rows),
        );
    }
}
