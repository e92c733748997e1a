<?php

declare(strict_types=1);

namespace App\Actions\Reports;

use App\Actions\Labs\LabInterface;
use App\Actions\Labs\LabSimulator;
use App\Models\Consignment;
use App\Models\DeliveredReport;
use App\Models\LabReport;
use App\Models\LabResult;
use App\Models\ReportQuestion;

/**
 * Has a lab measure samples again: over its interface where the report came over one, else by a letter that a person
 * sends.
 * What comes back is a corrected report.
 */
final class OrderRecheck
{
    public function __construct(private readonly LabInterface $lab, private readonly LabSimulator $simulator) {}

    /** @return string what the lab answered; empty when it has to be written to */
    public function __invoke(ReportQuestion $question, string $why): string
    {
        $report = LabReport::query()->findOrFail($question->report_id);
        $consignment = Consignment::query()
            ->whereIn('id', DeliveredReport::query()->where('sha256', $report->sha256)->select('consignment_id'))
            ->where('reference', '!=', '')
            ->first();
        if ($consignment === null || ! $this->lab->isThere()) {
            return '';
        }
        $word = $this->lab->recheck($consignment->reference, self::codes($question), $why);
        $consignment->update(['word' => ($this->simulator->isThere() ? 'simulated: ' : '').$word]);

        return $word;
    }

    /** @return array{to: string, subject: string, text: string} what a lab without an interface is written */
    public static function letter(ReportQuestion $question): array
    {
        $report = LabReport::query()->with('lab')->findOrFail($question->report_id);
        $results = LabResult::query()
            ->whereKey($question->result_ids)
            ->with(['portion:id,code', 'method'])
            ->orderBy('row')
            ->get();
        $lines = $results
            ->map(
                static fn (LabResult $result): string => '  '.
                    implode(
                        ', ',
                        array_filter([
                            $result->portion->code,
                            $result->lab_number === '' ? '' : "your number {$result->lab_number}",
                            AskQuestions::series($result->method).
                            ' '.
                            trim("{$result->as_reported} {$result->unit}"),
                        ]),
                    ),
            )
            ->implode("\n");
        $name = $report->lab->name ?? 'the laboratory';

        return [
            'to' => $report->lab->email ?? '',
            'subject' => "Recheck, report {$report->file_name}",
            'text' => "To {$name}.\n\nPlease measure these samples of your report {$report->file_name} again and ".
                "send a corrected report:\n\n{$lines}\n\nWhy we ask: {$question->note}\n\nThank you.",
        ];
    }

    /** @return list<string> */
    private static function codes(ReportQuestion $question): array
    {
        return array_values(
            LabResult::query()
                ->whereKey($question->result_ids)
                ->with('portion:id,code')
                ->get()
                ->map(static fn (LabResult $result): string => $result->portion->code)
                ->unique()
                ->all(),
        );
    }
}
