<?php

declare(strict_types=1);

namespace App\Actions\Records;

use App\Models\TestMethod;
use HonestCore\Reports\PairedRecords;
use HonestCore\Reports\RecordMapping;
use HonestCore\Reports\ReportTable;
use HonestCore\Reports\ReportText;
use Illuminate\Support\Carbon;

/** A spreadsheet of old pairs with how its columns are read: as a person said, else as their names let guess. */
final readonly class RecordFile
{
    private function __construct(
        public ReportTable $table,
        public RecordMapping $mapping,
        public PairedRecords $records,
        public string $sha256,
    ) {}

    public static function of(string $bytes, TestMethod $test, ?RecordMapping $said, ?bool $decimalComma): self
    {
        $table = ReportTable::of(ReportText::read($bytes)->records);
        $mapping = $said ?? RecordMapping::guessed($table->columns);

        return new self(
            $table,
            $mapping,
            PairedRecords::of(
                $table,
                $mapping,
                $test->analyte,
                $test->scale(),
                $decimalComma,
                // It is tomorrow already somewhere.
                Carbon::now()->addDay()->toDateString(),
            ),
            hash('sha256', $bytes),
        );
    }
}
