<?php

declare(strict_types=1);

namespace HonestCore\Program;

use HonestCore\Agronomy\Crop;
use HonestCore\Amounts\NitrogenSplits;
use HonestCore\Amounts\NutrientQuestion;
use HonestCore\Amounts\TestedValue;
use HonestCore\Error\BadTable;
use HonestCore\Error\ValueOutOfRange;
use HonestCore\Table\Fields;
use HonestCore\Table\RuleTable;

/**
 * A crop that a program is made for: the pH it wants, limits of phosphorus and potassium, what it removes, and its nitrogen.
 *
 * Quantity and unit: pH in water; limits in ppm of an extractant; removal in lb of the oxide for a unit of yield; nitrogen
 * and the rates at test zero in lb an acre; planting as month and day.
 * Domain: codes of data/wanted-crops.json, pH ascending.
 * Source: data/wanted-crops.json.
 */
final readonly class WantedCrop
{
    private const BRAY = 'bray-1';

    private const SHIPPED = 'mehlich-3';

    private function __construct(
        public string $code,
        public string $name,
        public string $group,
        public Crop $wants,
        public string $use,
        public string $why,
        public bool $isAmmonium,
        public bool $wantsBoron,
        private Fields $row,
    ) {}

    /**
     * @throws ValueOutOfRange for a code that the table lacks
     * @throws BadTable
     */
    public static function of(string $code): self
    {
        $rows = self::rows();
        $row =
            $rows[$code] ??
            throw new ValueOutOfRange('crop_not_table', ['code' => $code, 'codes' => implode(', ', array_keys($rows))]);
        $fields = new Fields($row);
        $use = $fields->text('use', '');
        [$low, $target, $high] = $use === '' ? self::span($fields, $code) : [0.0, 0.0, 0.0];

        return new self(
            $code,
            $fields->text('name'),
            $fields->text('group'),
            $use === '' ? Crop::wanted($code, $fields->text('name'), $low, $target, $high) : Crop::of($use)->called($fields->text('name')),
            $use,
            $fields->text('why', ''),
            $fields->flag('ammonium', false),
            $fields->flag('boron', false),
            $fields,
        );
    }

    /**
     * @return list<self>
     *
     * @throws BadTable
     */
    public static function all(): array
    {
        return array_map(static fn (string|int $code): self => self::of((string) $code), array_keys(self::rows()));
    }

    /**
     * The crop that ground of a use is taken to be for until somebody says otherwise.
     *
     * @throws BadTable
     */
    public static function usualFor(string $use): self
    {
        $usual = (new Fields(RuleTable::named('wanted-crops')))->named('default_for')[$use] ?? 'vegetables';

        return self::of(is_string($usual) ? $usual : 'vegetables');
    }

    /** The name of its group in words. */
    public function groupName(): string
    {
        $groups = (new Fields(RuleTable::named('wanted-crops')))->named('groups');

        return is_string($groups[$this->group] ?? null) ? $groups[$this->group] : $this->group;
    }

    /** The pH it wants, between the limits a team has set for ground of its use; a crop with its own range keeps it. */
    public function pH(?float $low = null, ?float $high = null): Crop
    {
        return $this->use === '' || $low === null || $high === null ? $this->wants : $this->wants->within($low, $high);
    }

    /**
     * What is asked of a result of phosphorus or potassium; null where no limits belong to this crop and extractant.
     *
     * @param 'p'|'k' $analyte
     *
     * @throws ValueOutOfRange
     */
    public function question(
        string $analyte,
        TestedValue $tested,
        ?float $cec,
        ?float $yield,
        bool $bySufficiency,
        float $years,
    ): ?NutrientQuestion {
        $extractant = $tested->test === '' ? $tested->extractant : self::SHIPPED;
        $own = $this->limits($analyte, $extractant);
        $fromTable = $extractant === self::SHIPPED && ($this->ratesAs() !== '' || $analyte === 'k');
        $zero = $bySufficiency ? $this->figure('zero', $analyte) : null;
        if (($own === null && ! $fromTable) || ($bySufficiency && $zero === null)) {
            return null;
        }

        return NutrientQuestion::of(
            $analyte,
            $tested->value,
            $this->asTable($own !== null),
            $extractant,
            $yield,
            $cec,
            $bySufficiency,
            $years,
            $zero,
            $own,
            ($tested->expanded ?? 0.0) / 2,
            $this->ratesAs() === '' ? $this->figure('removal', $analyte) ?? false : null,
        );
    }

    /** The crop of the shared table that its limits and removal are those of; empty where it has its own. */
    private function ratesAs(): string
    {
        return $this->row->text('rates_as', '');
    }

    /** Its name in the shared table. Limits of potassium are the same there for all crops, so that any of them will do. */
    private function asTable(bool $hasOwn): string
    {
        return $this->ratesAs() !== '' ? $this->ratesAs() : ($hasOwn ? $this->code : NutrientQuestion::CROPS[0]);
    }

    /** The first of a pair for phosphorus, the second for potassium; null where the table has none. */
    private function figure(string $pair, string $analyte): ?float
    {
        return $this->row->numbers($pair)[$analyte === 'p' ? 0 : 1] ?? null;
    }

    /** @return array{unit: string, usual: float}|null the unit of its yield, for an acre, and a usual one */
    public function yield(): ?array
    {
        $row = $this->row->rowOrNull('yield');

        return $row === null
            ? null
            : ['unit' => (new Fields($row))->text('unit'), 'usual' => (new Fields($row))->number('usual')];
    }

    public function nitrogenNeed(): float
    {
        return (new Fields($this->row->row('nitrogen')))->number('need');
    }

    public function nitrogenSplits(): NitrogenSplits
    {
        return NitrogenSplits::parse((new Fields($this->row->row('nitrogen')))->text('splits'));
    }

    public function nitrogenWhy(): string
    {
        return (new Fields($this->row->row('nitrogen')))->text('why', '');
    }

    /** Month and day of planting or green-up, as 05-01. */
    public function plantedOn(): string
    {
        return $this->row->text('plant');
    }

    /** @return array{float, float}|null its own limits by an extractant; null where the shared table has them, or none has */
    private function limits(string $analyte, string $extractant): ?array
    {
        if ($extractant === self::BRAY && $analyte === 'p') {
            return $this->row->pairOrNull('bray');
        }
        $all = $this->row->rowOrNull('limits') ?? [];
        $of = is_array($all[$extractant] ?? null) ? $all[$extractant] : [];

        return (new Fields($of))->pairOrNull($analyte);
    }

    /**
     * @return array{float, float, float}
     *
     * @throws ValueOutOfRange
     */
    private static function span(Fields $fields, string $code): array
    {
        [$low, $target, $high] = $fields->numbers('ph') + [0.0, 0.0, 0.0];

        return $low > 3 && $low <= $target && $target < $high && $high < 10
            ? [$low, $target, $high]
            : throw new ValueOutOfRange('ph_of_crop', ['code' => $code, 'low' => $low, 'target' => $target, 'high' => $high]);
    }

    /**
     * @return array<string, array<mixed>>
     *
     * @throws BadTable
     */
    private static function rows(): array
    {
        $rows = [];
        foreach ((new Fields(RuleTable::named('wanted-crops')))->named('crops') as $code => $row) {
            $rows[$code] = is_array($row) ? $row : [];
        }

        return $rows;
    }
}
