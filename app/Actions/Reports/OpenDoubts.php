<?php

declare(strict_types=1);

namespace App\Actions\Reports;

use App\Models\LabReport;
use App\Models\LabResult;
use App\Models\ReportQuestion;
use App\Models\TestMethod;
use HonestCore\Reports\Doubt;
use HonestCore\Reports\QuestionKind;
use HonestCore\Reports\ReportLine;
use Illuminate\Support\Carbon;

/** What a file left open when it was taken and nobody confirmed: kept as questions about the results concerned. */
final class OpenDoubts
{
    private const MOST = 200;

    /** @var array<string, array{Doubt, array<int, true>}> the doubts and the methods they concern, by their words */
    private array $seen = [];

    /** @var array<string, true> columns and methods that were looked at already */
    private array $known = [];

    public function note(ReportLine $line, TestMethod $method, bool $long): void
    {
        foreach ($line->doubts as $doubt) {
            if (count($this->seen) < self::MOST) {
                $this->seen[$doubt->words] = [$doubt, []];
            }
        }
        $key = "{$line->column->name}\0{$method->id}";
        if (isset($this->known[$key])) {
            return;
        }
        $this->known[$key] = true;
        foreach ($line->column->doubts() as $doubt) {
            $this->seen[$doubt->words] = [$doubt, ($this->seen[$doubt->words][1] ?? []) + [$method->id => true]];
        }
    }

    /** @param list<Doubt> $ofFile */
    public function keep(LabReport $report, array $ofFile): void
    {
        foreach ($ofFile as $doubt) {
            $this->seen[$doubt->words] ??= [$doubt, []];
        }
        $now = Carbon::now();
        $rows = [];
        foreach (array_slice($this->seen, 0, self::MOST) as [$doubt, $methods]) {
            $results =
                $methods === []
                    ? []
                    : LabResult::query()
                        ->where('report_id', $report->id)
                        ->whereIn('method_id', array_keys($methods))
                        ->limit(500)
                        ->pluck('id')
                        ->all();
            $rows[] = [
                'team_id' => $report->team_id,
                'report_id' => $report->id,
                'kind' => QuestionKind::Reading->value,
                'words' => $doubt->words,
                'note' => '',
                'created_at' => $now,
                'updated_at' => $now,
                'result_ids' => json_encode($results, JSON_THROW_ON_ERROR),
            ];
        }
        ReportQuestion::query()->insert($rows);
    }
}
