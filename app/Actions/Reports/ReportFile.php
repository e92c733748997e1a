<?php

declare(strict_types=1);

namespace App\Actions\Reports;

use App\Models\Lab;
use App\Models\LabMapping;
use HonestCore\Reports\ColumnGuess;
use HonestCore\Reports\Interchange;
use HonestCore\Reports\ReportText;

/**
 * A lab's file, read into rows, with how its columns are read: as remembered for this lab, else as guessed by their names.
 *
 * @phpstan-type Column array{role: string, analyte: string|null, form: string, unit: string, extractant: string, instrument: string}
 * @phpstan-type Mapping array{columns: list<Column>, bulk_density?: float|int|null}
 */
final readonly class ReportFile
{
    private function __construct(public ReportText $text, public bool $interchange) {}

    public static function of(string $bytes, ?int $headerRow): self
    {
        return Interchange::looksLike($bytes) ? new self(ReportText::ofRecords(Interchange::records($bytes), headerRow: 1), true) : new self(ReportText::read($bytes, $headerRow), false);
    }

    public function fingerprint(): string
    {
        return hash('sha256', implode("\n", array_map(mb_strtolower(...), $this->text->columns)));
    }

    /** @return array{mapping: Mapping, remembered: bool} */
    public function mapping(Lab $lab): array
    {
        $kept = LabMapping::query()->where('lab_id', $lab->id)->where('fingerprint', $this->fingerprint())->first();
        if ($kept !== null) {
            /** @var Mapping $mapping */
            $mapping = $kept->mapping;

            return ['mapping' => $mapping, 'remembered' => true];
        }
        $columns = array_map(self::column(...), $this->text->columns);

        return ['mapping' => ['columns' => self::oneOfEach($columns)], 'remembered' => false];
    }

    /** @return Column */
    private static function column(string $name): array
    {
        $guess = ColumnGuess::of($name);

        return ['role' => $guess->role, 'analyte' => $guess->analyte, 'form' => $guess->form, 'unit' => $guess->unit, 'extractant' => $guess->extractant, 'instrument' => $guess->instrument];
    }

    /**
     * There is one column of each role; a second one that looks like it is left alone.
     *
     * @param list<Column> $columns
     * @return list<Column>
     */
    private static function oneOfEach(array $columns): array
    {
        $seen = [];
        foreach ($columns as $i => $column) {
            if (! in_array($column['role'], ['result', 'ignore'], true)) {
                $columns[$i]['role'] = isset($seen[$column['role']]) ? 'ignore' : $column['role'];
                $seen[$column['role']] = true;
            }
        }

        return $columns;
    }
}
