<?php

declare(strict_types=1);

namespace App\Http\Controllers\Samples;

use App\Actions\Samples\Ledger;
use App\Database\Counted;
use App\Database\Page;
use App\Http\Requests\Samples\LedgerRequest;
use App\Http\Resources\Custody\PortionLine;
use App\Models\Reading;
use App\Models\Sample;
use Illuminate\Http\JsonResponse;

/** The samples of a team, some at a time. */
final class ShowLedger
{
    private const PER_PAGE = 25;

    /** What narrows by other tables, or by words: then it is not counted to the end. */
    private const COUNTED_SLOWLY = ['kind' => true, 'state' => true, 'lab_id' => true, 'read' => true, 'q' => true];

    private const ALL = 10_000_000;

    private const NEEDS = [
        'area:id,team_id,name',
        'site:id,team_id,name',
        'portions.lines',
        'portions.consigned.consignment.lab',
        'readings:id,team_id,sample_id,method_id',
        'readings.method:id,team_id,workplace',
    ];

    public function __invoke(LedgerRequest $request, Ledger $ledger): JsonResponse
    {
        $asked = $request->asked();
        $found = Counted::of($ledger($asked), array_intersect_key($asked, self::COUNTED_SLOWLY) === [] ? self::ALL : Counted::MOST);
        $rows = $ledger($asked, $found->areMany())->with(self::NEEDS);

        return new JsonResponse(Page::counted($found, $rows, $request->integer('page', 1), self::PER_PAGE)->told(
            static fn (Sample $sample): array => [
                'id' => $sample->id,
                'code' => $sample->code,
                'site' => $sample->site->name,
                'area' => $sample->area->name,
                'depth' => $sample->depth,
                'pulled_on' => $sample->pulled_on->format('Y-m-d'),
                'pulled_by' => $sample->pulled_by,
                'cores_planned' => $sample->cores_planned,
                'cores_pulled' => $sample->cores_pulled,
                'deviations' => $sample->deviations(),
                'read' => $sample->readings
                    ->map(static fn (Reading $reading): string => $reading->method->workplace)
                    ->unique()
                    ->values()
                    ->all(),
                'portions' => $sample->portions->sortBy('id')->map(PortionLine::onItsWay(...))->values()->all(),
            ],
        ));
    }
}
