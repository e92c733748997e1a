<?php

declare(strict_types=1);

namespace App\Http\Resources\Labs;

use App\Actions\Labs\Enquiry;
use App\Actions\Labs\LabService;
use App\Http\Resources\Custody\PortionLine;
use App\Models\ConsignedPortion;
use App\Models\Consignment;
use App\Models\DeliveredReport;
use App\Models\LabReport;
use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @mixin Consignment */
final class ConsignmentResource extends JsonResource
{
    public const NEEDS = [
        'lab',
        'author:id,name',
        'contents.portion.sample.area',
        'contents.portion.sample.site',
        'reports:id,consignment_id,name,sha256,created_at',
    ];

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        /** @var User $reader */
        $reader = $request->user();
        $site = $this->contents->first()?->portion->sample?->site->name ?? 'our ground';

        return [
            'id' => $this->id,
            'number' => $this->number,
            'lab' => new LabResource($this->lab),
            'state' => $this->state,
            'form' => $this->form,
            'warnings' => $this->warnings,
            'fee_cents' => $this->fee_cents,
            'carrier' => $this->carrier,
            'word' => $this->word,
            'packed_by' => $this->author->name,
            'packed_at' => $this->created_at->toIso8601ZuluString(),
            'sent_at' => $this->sent_at?->toIso8601ZuluString(),
            'expected_on' => $this->expected_on?->format('Y-m-d'),
            'asked_on' => $this->asked_on?->format('Y-m-d'),
            'days_late' => $this->daysLate(),
            'enquiry' => app(Enquiry::class)($this->resource, $reader->name, $site),
            'announced' => $this->reference !== '',
            'simulated' => $this->reference !== '' && app(LabService::class)->isSimulated(),
            'contents' => $this->contents
                ->map(
                    static fn (ConsignedPortion $one): array => [
                        'portion' => PortionLine::of($one->portion),
                        'tests' => $one->tests,
                        'sample' => $one->portion->sample?->code,
                        'area' => $one->portion->sample?->area->name,
                        'use' => $one->portion->sample?->area->crop()->name,
                        'depth' => $one->portion->sample?->depth,
                        'pulled_on' => $one->portion->sample?->pulled_on->format('Y-m-d'),
                    ],
                )
                ->values()
                ->all(),
            'reports' => self::reports(array_values($this->reports->sortBy('id')->all())),
        ];
    }

    /**
     * Reports as they came, with what was made of them; a later one takes the place of the last that was taken.
     *
     * @param list<DeliveredReport> $reports
     * @return list<array{id: int, name: string, came_at: string, report_id: int|null, instead: int|null}>
     */
    private static function reports(array $reports): array
    {
        $taken = LabReport::query()
            ->whereIn('sha256', array_map(static fn (DeliveredReport $report): string => $report->sha256, $reports))
            ->pluck('id', 'sha256');
        [$lines, $last] = [[], null];
        foreach ($reports as $report) {
            $takenId = $taken[$report->sha256] ?? null;
            $lines[] = [
                'id' => $report->id,
                'name' => $report->name,
                'came_at' => $report->created_at->toIso8601ZuluString(),
                'report_id' => $takenId,
                'instead' => $last,
            ];
            $last = $takenId ?? $last;
        }

        return $lines;
    }
}
