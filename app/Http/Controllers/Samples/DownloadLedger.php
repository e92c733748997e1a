<?php

declare(strict_types=1);

namespace App\Http\Controllers\Samples;

use App\Actions\Samples\Ledger;
use App\Database\Values;
use App\Http\Requests\CsvChoice;
use App\Http\Requests\Samples\LedgerRequest;
use App\Models\Sample;
use HonestCore\Custody\CustodyStep;
use HonestCore\Table\CsvWriter;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** The same samples as a CSV, one line a portion. */
final class DownloadLedger
{
    private const AT_ONCE = 500;

    private const COLUMNS = [
        'sample',
        'site',
        'area',
        'depth',
        'pulled_on',
        'pulled_by',
        'cores_pulled',
        'cores_planned',
        'deviations',
        'portion',
        'kind',
        'state',
        'since',
        'place',
        'volume_ml',
        'tests',
        'note',
    ];

    public function __invoke(LedgerRequest $request, Ledger $ledger): StreamedResponse
    {
        $form = CsvChoice::of($request);
        $samples = $ledger($request->asked())->with('area:id,team_id,name', 'site:id,team_id,name', 'portions');

        return new StreamedResponse(
            static function () use ($samples, $form): void {
                echo $form->begin.CsvWriter::line(self::COLUMNS, $form);
                /** @var Sample $sample */
                foreach ($samples->reorder()->lazyByIdDesc(self::AT_ONCE) as $sample) {
                    $common = [
                        $sample->code,
                        $sample->site->name,
                        $sample->area->name,
                        $sample->depth,
                        substr(Values::text($sample->getRawOriginal('pulled_on')), 0, 10),
                        $sample->pulled_by,
                        $sample->cores_pulled,
                        $sample->cores_planned,
                        implode('; ', $sample->deviations()),
                    ];
                    foreach ($sample->portions->sortBy('id') as $portion) {
                        $since = $portion->getRawOriginal('state_at');
                        echo CsvWriter::line([
                            ...$common,
                            $portion->code,
                            $portion->kind,
                            CustodyStep::stateName($portion->state),
                            is_string($since) ? str_replace(' ', 'T', $since).'Z' : null,
                            $portion->place,
                            $portion->volume_ml,
                            implode('; ', $portion->tests),
                            $sample->note,
                        ], $form);
                    }
                }
            },
            200,
            ['Content-Type' => 'text/csv; charset=utf-8', 'Content-Disposition' => 'attachment; filename=ledger.csv'],
        );
    }
}
