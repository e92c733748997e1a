<?php

declare(strict_types=1);

namespace App\Actions\Today;

use App\Actions\Evidence\Summaries;
use App\Actions\FollowUp\RetestDates;
use App\Actions\Plans\PlansOfSite;
use App\Actions\Prescribe\SpreadCalendar;
use App\Models\Area;
use App\Models\DeliveredReport;
use App\Models\LabReport;
use App\Models\Sample;
use App\Models\SignedVerdict;
use App\Models\Site;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Carbon;

/** What waits to be done at a site, in the order of the work. */
final class WhatWaits
{
    private const MOST = 100;

    public function __construct(
        private readonly Summaries $summaries,
        private readonly RetestDates $retests,
        private readonly PlansOfSite $plansOfSite,
        private readonly SpreadCalendar $calendar,
    ) {}

    /** @return list<Waiting> */
    public function __invoke(Site $site): array
    {
        return [
            ...$this->plans($site),
            ...$this->pulls($site),
            ...$this->readings($site),
            ...$this->reports(),
            ...$this->verdicts(),
            ...$this->spreading($site),
            ...$this->overdue($site),
        ];
    }

    /**
     * What signed programs spread about now. Nobody knows yet whether it was.
     *
     * @return list<Waiting>
     */
    private function spreading(Site $site): array
    {
        return array_map(
            static fn (array $day): Waiting => new Waiting(
                stage: 'prescribe',
                text: "Spread {$day['name']} about ".Carbon::parse($day['on'])->format('j M Y'),
                detail: "{$day['area']}, {$day['part']}",
                to: '/follow-up/spread',
            ),
            $this->calendar->near($site),
        );
    }

    /** @return list<Waiting> */
    private function plans(Site $site): array
    {
        $items = [];
        if (! $site->areas()->exists()) {
            $items[] = new Waiting(
                stage: 'areas',
                text: 'Draw the first sampling area',
                detail: $site->name,
                to: '/areas',
            );
        }
        foreach (Area::query()->where('site_id', $site->id)->doesntHave('plans')->orderBy('name')->get() as $area) {
            $items[] = new Waiting(
                stage: 'plans',
                text: 'Plan the cores',
                detail: $area->name,
                to: "/plans/{$area->id}",
            );
        }

        return $items;
    }

    /** @return list<Waiting> */
    private function pulls(Site $site): array
    {
        $items = [];
        foreach (array_reverse($this->plansOfSite->waiting($site->id)) as ['plan' => $plan, 'to_pull' => $toPull]) {
            $left = count($toPull);
            if ($left > 0) {
                $text =
                    $left === 1
                        ? "Pull {$plan->spec->cores} cores"
                        : "Pull {$left} composites of {$plan->spec->cores} cores";
                $items[] = new Waiting(
                    stage: 'pull',
                    text: $text,
                    detail: $plan->area->name,
                    to: "/pull/{$plan->id}",
                );
            }
        }

        return $items;
    }

    /** @return list<Waiting> */
    private function readings(Site $site): array
    {
        $items = [];
        $waiting = [
            ['bench', 'bench', 'Read the bench portion', '/bench'],
            ['reports', 'lab', 'Enter the lab\'s pH', '/reports'],
        ];
        foreach ($waiting as [$stage, $portion, $text, $to]) {
            $samples = Sample::query()
                ->where('site_id', $site->id)
                ->whereDoesntHave(
                    'readings',
                    static fn (Builder $readings) => $readings->whereHas(
                        'method',
                        static fn (Builder $methods) => $methods->where('workplace', $portion)->where('analyte', 'ph'),
                    ),
                )
                ->with('area:id,name')
                ->where('year', '>=', (int) now($site->timezone)->format('Y') - 1)
                ->orderByDesc('year')
                ->orderByDesc('number')
                ->limit(self::MOST)
                ->get()
                ->reverse();
            foreach ($samples as $sample) {
                $items[] = new Waiting(
                    stage: $stage,
                    text: "{$text} of {$sample->code}",
                    detail: $sample->area->name,
                    to: "{$to}?sample={$sample->id}",
                );
            }
        }

        return $items;
    }

    /**
     * @return list<Waiting> reports that came and were not
     *                       taken, and questions that nobody answered
     */
    private function reports(): array
    {
        $items = [];
        foreach (
            DeliveredReport::query()
                ->whereNotIn('sha256', LabReport::query()->select('sha256'))
                ->orderBy('id')
                ->limit(self::MOST)
                ->get(['id', 'consignment_id', 'name']) as $report
        ) {
            $items[] = new Waiting(
                stage: 'reports',
                text: 'Look at a report and take it',
                detail: $report->name,
                to: "/consignments/{$report->consignment_id}",
            );
        }
        $open = LabReport::query()
            ->whereHas('questions', static fn (Builder $questions) => $questions->whereNull('answer'))
            ->withCount(['questions as open_count' => static fn (Builder $questions) => $questions->whereNull('answer')])
            ->orderBy('id')
            ->limit(self::MOST)
            ->get();
        foreach ($open as $report) {
            $items[] = new Waiting(
                stage: 'reports',
                text: 'Answer '.
                                    ($report->open_count === 1 ? 'a question' : "{$report->open_count} questions").
                                    ' of a report',
                detail: $report->file_name,
                to: "/reports/{$report->id}",
            );
        }

        return $items;
    }

    /** @return list<Waiting> */
    private function verdicts(): array
    {
        $items = [];
        $pairs = array_values(
            array_filter(
                $this->summaries->tests()['pairs'],
                static fn (array $pair): bool => $pair[0]->workplace === 'bench',
            ),
        );
        $found = $this->summaries->shown($pairs);
        $signed = SignedVerdict::standing()
            ->where('claim', 'sort')
            ->get(['id', 'method_id', 'reference_id', 'evidence_hash'])
            ->keyBy(static fn (SignedVerdict $verdict): string => "{$verdict->method_id}/{$verdict->reference_id}");
        foreach ($pairs as [$test, $reference]) {
            $verdict = $signed["{$test->id}/{$reference->id}"] ?? null;
            ['pairs' => $n, 'verdicts' => $verdicts] = $found[$test->id]->summary;
            if ($n > 0 && ($verdict === null || Summaries::moved($verdict, $found[$test->id]->summary))) {
                $items[] = new Waiting(
                    stage: 'decide',
                    text: $verdict === null ? 'Sign the first verdict' : 'New evidence since the verdict was '.
                                            'signed',
                    detail: "{$test->name}, sort: {$verdicts['sort']} on {$n} pairs",
                    to: "/evidence/{$test->id}",
                );
            }
        }

        return $items;
    }

    /** @return list<Waiting> */
    private function overdue(Site $site): array
    {
        $items = [];
        foreach ($this->retests->overdue($site) as $retest) {
            $due = Carbon::parse((string) $retest->due)->format('j M Y');
            $items[] = new Waiting(
                stage: 'follow-up',
                text: "Retest was due {$due}",
                detail: $retest->area,
                to: "/plans/{$retest->areaId}",
            );
        }

        return $items;
    }
}
