<?php

declare(strict_types=1);

namespace App\Actions\Reports;

use HonestCore\Quantity\DepthLayer;

/** What an import needs of a portion; a report may speak of tens of thousands, too many for whole records. */
final readonly class FoundPortion
{
    public function __construct(
        public int $id,
        public string $code,
        public string $kind,
        public ?int $sampleId,
        public string $depth,
    ) {}

    /** The layer of its composite; null for a check soil. */
    public function layer(): ?DepthLayer
    {
        static $known = [];

        return $this->depth === '' ? null : ($known[$this->depth] ??= DepthLayer::parse($this->depth));
    }

    public static function of(\stdClass $row): self
    {
        return new self(
            (int) $row->id,
            (string) $row->code,
            (string) $row->kind,
            $row->sample_id === null ? null : (int) $row->sample_id,
            (string) $row->depth,
        );
    }
}
