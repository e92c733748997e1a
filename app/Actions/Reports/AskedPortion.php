<?php

declare(strict_types=1);

namespace App\Actions\Reports;

/** What the questions need of a portion; a report may speak of tens of thousands, too many for whole records. */
final readonly class AskedPortion
{
    public function __construct(
        public string $code,
        public string $kind,
        public ?int $sampleId,
        public ?int $checkSoilId,
        public ?int $areaId,
    ) {}

    public static function of(\stdClass $row): self
    {
        $number = static fn (mixed $id): ?int => is_numeric($id) ? (int) $id : null;

        return new self(
            (string) $row->code,
            (string) $row->kind,
            $number($row->sample_id),
            $number($row->check_soil_id),
            $number($row->area_id),
        );
    }
}
