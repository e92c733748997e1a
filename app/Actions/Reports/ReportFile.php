<?php

declare(strict_types=1);

namespace App\Actions\Reports;

use App\Models\Lab;
use App\Models\LabMapping;
use HonestCore\Error\CoreError;
use HonestCore\Reports\NumberStyle;
use HonestCore\Reports\ReportMapping;
use HonestCore\Reports\ReportReading;
use HonestCore\Reports\ReportTable;
use HonestCore\Reports\ReportText;

/**
 * A lab's file, read into rows, with how its columns are read: as remembered for this lab, else as understood by their
 * names.
 */
final readonly class ReportFile
{
    private function __construct(public ReportText $text, public ReportTable $table) {}

    public static function of(string $bytes, ?int $headerRow): self
    {
        $text = ReportText::read($bytes);

        return new self($text, ReportTable::of($text->records, $text->isInterchange ? 1 : $headerRow));
    }

    /** @return array{ReportMapping, bool} and whether it is remembered */
    public function mapping(Lab $lab): array
    {
        $kept = LabMapping::query()->where('lab_id', $lab->id)->where('fingerprint', $this->fingerprint())->first();
        if ($kept !== null) {
            try {
                return [ReportMapping::fromArray($kept->mapping, $this->table->columns), true];
            } catch (CoreError) {
                // What was kept names an analyte or a unit that is no longer known: it is understood anew, and asked.
            }
        }

        return [ReportMapping::understood($this->table), false];
    }

    public function fingerprint(): string
    {
        return ReportMapping::fingerprint($this->table);
    }

    public function reading(ReportMapping $mapping, ?bool $decimalComma): ReportReading
    {
        return ReportReading::of(
            $this->table,
            $mapping->columns,
            $decimalComma === null ? null : ($decimalComma ? NumberStyle::comma() : NumberStyle::point()),
        );
    }
}
