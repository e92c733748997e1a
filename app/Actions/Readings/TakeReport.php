<?php

declare(strict_types=1);

namespace App\Actions\Readings;

use App\Exceptions\RefusedRows;
use App\Models\LabImport;
use App\Models\Portion;
use App\Models\Reading;
use App\Models\Sample;
use App\Models\TestMethod;
use App\Models\User;
use HonestCore\Bench\PlausibleReading;
use HonestCore\Custody\CheckCharacter;
use HonestCore\Error\BadTable;
use HonestCore\Table\CsvTable;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/**
 * Takes a CSV of lab results whole or not at all. Columns: `sample` (the code of the composite or of its lab
 * portion), and any of the lab methods' columns; an empty cell is a result the lab does not give.
 */
final class TakeReport
{
    public const COLUMNS = ['ph' => 'lab-ph', 'mehlich_buffer_ph' => 'lab-mehlich', 'smp_buffer_ph' => 'lab-smp'];

    private const OTHERS = ['lab_b' => 'a second lab portion', 'bench' => 'a bench portion', 'archive' => 'an archive portion', 'hidden' => 'a hidden duplicate', 'check' => 'a check soil'];

    public function __construct(private readonly RecordReading $record) {}

    public function __invoke(string $text, string $fileName, string $readOn, User $author): LabImport
    {
        $hash = hash('sha256', $text);
        $table = CsvTable::parse($text, ['sample']);
        $columns = array_filter(self::COLUMNS, static fn (string $column): bool => $table->has($column), ARRAY_FILTER_USE_KEY);
        if ($columns === []) {
            throw BadTable::because('row 1: there is no column of results', 'sample and any of '.implode(', ', array_keys(self::COLUMNS)));
        }

        return DB::transaction(function () use ($table, $columns, $hash, $fileName, $readOn, $author): LabImport {
            $known = LabImport::query()->where('sha256', $hash)->first();
            if ($known !== null) {
                return $known;
            }
            $import = LabImport::query()->create(['created_by' => $author->id, 'file_name' => $fileName, 'sha256' => $hash, 'rows' => count($table->rows)]);
            /** @var Collection<string, TestMethod> $methods */
            $methods = TestMethod::query()->whereIn('code', $columns)->get()->keyBy('code');
            foreach ($this->results($table, $columns, $methods) as [$sample, $method, $typed]) {
                ($this->record)($sample, $method, $author, [
                    'typed' => $typed, 'read_on' => $readOn, 'reader' => $method->name, 'flags' => [], 'note' => '', 'corrects_id' => null,
                ], $import->id);
            }

            return $import;
        });
    }

    /**
     * @param array<string, string> $columns method code by column
     * @param Collection<string, TestMethod> $methods
     * @return list<array{Sample, TestMethod, string}>
     *
     * @throws RefusedRows
     */
    private function results(CsvTable $table, array $columns, Collection $methods): array
    {
        $samples = $this->samples(array_column($table->rows, 'sample'));
        $taken = Reading::query()->whereIn('sample_id', array_map(static fn (Sample $sample): int => $sample->id, $samples))
            ->whereIn('method_id', $methods->pluck('id'))->get(['sample_id', 'method_id'])
            ->mapWithKeys(static fn (Reading $reading): array => ["{$reading->sample_id}/{$reading->method_id}" => true])->all();
        [$results, $refused, $rowOf] = [[], [], []];
        foreach ($table->rows as $row => $cells) {
            $code = strtoupper($cells['sample']);
            $sample = $samples[$code] ?? null;
            $problem = match (true) {
                $sample === null => self::unknown($cells['sample']),
                isset($rowOf[$sample->id]) => "{$cells['sample']} stands in row {$rowOf[$sample->id]} already; accepted is one row a sample.",
                implode('', array_map(static fn (string $column): string => $cells[$column], array_keys($columns))) === '' => 'the row has no result; accepted is a number in at least one column of results.',
                default => null,
            };
            if ($problem !== null || $sample === null) {
                $refused[] = ['row' => $row, 'field' => 'sample', 'message' => "row {$row}, sample: {$problem}"];

                continue;
            }
            $rowOf[$sample->id] = $row;
            foreach ($columns as $column => $methodCode) {
                $method = $methods->get($methodCode);
                if ($cells[$column] === '' || $method === null) {
                    continue;
                }
                $question = isset($taken["{$sample->id}/{$method->id}"])
                    ? "{$sample->code} has a result by {$method->name} already; correct that one on the page of the sample."
                    : PlausibleReading::question($method->analyte, $cells[$column]);
                if ($question !== null) {
                    $refused[] = ['row' => $row, 'field' => $column, 'message' => "row {$row}, {$column}: {$question}"];
                }
                $results[] = [$sample, $method, $cells[$column]];
            }
        }

        return $refused === [] ? $results : throw new RefusedRows($refused);
    }

    /**
     * @param array<int, string> $codes
     * @return array<string, Sample> by the code of the sample or of its lab portion
     */
    private function samples(array $codes): array
    {
        $codes = array_map(strtoupper(...), $codes);
        $found = [];
        foreach (Sample::query()->whereIn('code', $codes)->get() as $sample) {
            $found[$sample->code] = $sample;
        }
        foreach (Portion::query()->where('kind', 'lab')->whereIn('code', $codes)->with('sample')->get() as $portion) {
            $found[$portion->code] = $portion->sample ?? throw new \LogicException('A lab portion has a composite.');
        }

        return $found;
    }

    private static function unknown(string $code): string
    {
        $other = Portion::query()->where('code', strtoupper($code))->value('kind');

        return match (true) {
            $other !== null => "{$code} is no first lab portion of a composite but ".self::OTHERS[$other].': its result is compared, never taken as that of the composite. Leave its row out.',
            $code === '' => 'it is empty; accepted is the code of a composite or of its lab portion.',
            ! CheckCharacter::fits($code) => "\"{$code}\" does not fit its check character, so a letter or digit is wrong; accepted is a code as printed on the label.",
            default => "\"{$code}\" is no composite of this team; accepted is the code of a composite or of its lab portion.",
        };
    }
}
