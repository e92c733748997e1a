<?php

declare(strict_types=1);

namespace HonestCore\Reports;

use HonestCore\Analyte\SoilUnit;
use HonestCore\Error\ValueOutOfRange;
use HonestCore\Quantity\DepthLayer;

/**
 * One result of a lab's file as it stands there, and what it is in the home unit of its analyte.
 *
 * Quantity and unit: `value` as reported, in the column's unit or the cell's own.
 */
final readonly class ReportLine
{
    /**
     * @param int $row line of the file
     * @param DepthLayer|null $layer the row's own
     * @param list<Doubt> $doubts about this cell alone; those of its column stand with the column
     */
    public function __construct(
        public int $row,
        public string $sample,
        public string $labNumber,
        public string $depth,
        public ReportColumn $column,
        public string $cell,
        public ReportedValue $value,
        public ?DepthLayer $layer,
        public array $doubts,
    ) {}

    /** Is what the number means unknown as long as nobody answers? */
    public function isHidden(): bool
    {
        return $this->column->isHidden() ||
            array_filter($this->doubts, static fn (Doubt $doubt): bool => $doubt->hides) !== [];
    }

    /**
     * A number of this result in the home unit.
     *
     * @param DepthLayer|null $usual the layer of the sample where the row says none
     * @param float|null $bulkDensity g/cm3, for kilograms on an area
     *
     * @throws ValueOutOfRange when it cannot be turned
     */
    public function home(?float $number, ?DepthLayer $usual, ?float $bulkDensity): ?float
    {
        if ($number === null || $this->isHidden() || $this->column->unit === '') {
            return null;
        }
        $unit = SoilUnit::named($this->column->unit);
        $layer = $this->layer ?? $usual;
        $metric = in_array($unit->code, ['kg/ha', 'g/m2'], true);

        return SoilUnit::toHome(
            $this->column->analyte,
            $number,
            $unit,
            $this->column->form,
            $layer?->thicknessCm(),
            $metric ? $bulkDensity : null,
        );
    }

    /** Why a number is no result of soil, or null for one that can be. */
    public function impossible(?float $home): ?string
    {
        $analyte = $this->column->known();
        if (
            $home === null ||
            $analyte === null ||
            $analyte->isPossible($home) ||
            ($this->value->kind === ReportedValue::BELOW && $home >= 0)
        ) {
            return null;
        }
        $symbol = SoilUnit::named($analyte->homeUnit)->symbol();

        return "{$analyte->name} of {$this->cell}".
            ($symbol === '' ? '' : ' ('.round($home, 3)." {$symbol})").
            " is not possible in soil; accepted is {$analyte->possible()}.";
    }
}
