<?php

declare(strict_types=1);

namespace HonestCore\Sampling;

use HonestCore\Error\ValueOutOfRange;
use HonestCore\Table\Fields;
use HonestCore\Table\Stored;

/**
 * How cores are counted across crop rows.
 *
 * Quantities and units: spacing of the rows in metres; bearing of the rows in degrees from north; a core every 3 in
 * (76.2 mm) from a row to the middle between two.
 * Banded fertiliser: S cores between the bands for each one in the band, S = 8 x spacing in feet.
 * Source: common practice (every 3 in); Kitchen, Havlin & Westfall 1990, Soil Sci Soc Am J 54:1661-1665 (S).
 */
final readonly class RowPlan implements Stored
{
    public const STEP_M = 0.0762;

    private const USUAL_M = 0.762;

    private const METRES_PER_FOOT = 0.3048;

    private function __construct(public float $spacingM, public float $bearing) {}

    /** @throws ValueOutOfRange */
    public static function of(float $spacingM, float $bearing): self
    {
        if (! ($spacingM >= 0.1 && $spacingM <= 5)) {
            throw new ValueOutOfRange('spacing_rows', [
                'value' => $spacingM,
                'low' => 0.1,
                'high' => 5,
                'unit' => 'm',
            ]);
        }
        if (! ($bearing >= 0 && $bearing < 360)) {
            throw new ValueOutOfRange('bearing_rows', [
                'value' => $bearing,
                'low' => 0,
                'high' => 360,
                'unit' => '°',
            ]);
        }

        return new self($spacingM, $bearing);
    }

    public static function fromRow(array $row): self
    {
        $fields = new Fields($row);

        return self::of($fields->number('spacing_m'), $fields->number('bearing_deg'));
    }

    public function toRow(): array
    {
        return ['spacing_m' => $this->spacingM, 'bearing_deg' => $this->bearing];
    }

    /** Rows 30 in apart, as where nothing is said of them. */
    public static function usual(): self
    {
        return new self(self::USUAL_M, 0.0);
    }

    public function counts(): RowCounts
    {
        return new RowCounts($this->perTransect(), $this->betweenForEachInBand());
    }

    /** Cores of one transect: from the row to mid-row, both ends counted. */
    public function perTransect(): int
    {
        return (int) floor($this->spacingM / 2 / self::STEP_M + 1e-9) + 1;
    }

    /** Cores between the bands for each core in a band. */
    public function betweenForEachInBand(): int
    {
        return max(1, (int) round((8 * $this->spacingM) / self::METRES_PER_FOOT));
    }

    /** Direction across the rows on the plane, radians from east. */
    public function across(): float
    {
        return -deg2rad($this->bearing);
    }
}
