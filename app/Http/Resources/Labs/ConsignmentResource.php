<?php

declare(strict_types=1);

namespace App\Http\Resources\Labs;

use App\Actions\Labs\ConsignmentView;
use App\Http\Resources\Custody\PortionLine;
use App\Models\ConsignedPortion;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @property ConsignmentView $resource */
final class ConsignmentResource extends JsonResource
{
    public function __construct(ConsignmentView $view)
    {
        parent::__construct($view);
    }

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $one = $this->resource->consignment;

        return [
            'id' => $one->id,
            'number' => $one->number,
            'lab' => new LabResource($one->lab),
            'state' => $one->state,
            'form' => $one->form,
            'warnings' => $one->warnings,
            'fee_cents' => $one->fee_cents,
            'carrier' => $one->carrier,
            'word' => $one->word,
            'packed_by' => $one->author->name,
            'packed_at' => $one->created_at->toIso8601ZuluString(),
            'sent_at' => $one->sent_at?->toIso8601ZuluString(),
            'expected_on' => $one->expected_on?->format('Y-m-d'),
            'asked_on' => $one->asked_on?->format('Y-m-d'),
            'days_late' => $one->daysLate(),
            'enquiry' => $this->resource->enquiry,
            'announced' => $one->reference !== '',
            'simulated' => $this->resource->simulated,
            'contents' => $one->contents
                ->map(
                    static fn (ConsignedPortion $in): array => [
                        'portion' => PortionLine::of($in->portion),
                        'tests' => $in->tests,
                        'sample' => $in->portion->sample?->code,
                        'area' => $in->portion->sample?->area->name,
                        'use' => $in->portion->sample?->area->crop()->name,
                        'depth' => $in->portion->sample?->depth,
                        'pulled_on' => $in->portion->sample?->pulled_on->format('Y-m-d'),
                    ],
                )
                ->values()
                ->all(),
            'reports' => $this->reports(),
        ];
    }

    /**
     * Reports as they came, with what was made of them; a later one takes the place of the last that was taken.
     *
     * @return list<array<string, mixed>>
     */
    private function reports(): array
    {
        [$lines, $last] = [[], null];
        foreach ($this->resource->consignment->reports->sortBy('id') as $report) {
            $taken = $this->resource->taken[$report->sha256] ?? null;
            $lines[] = [
                'id' => $report->id,
                'name' => $report->name,
                'came_at' => $report->created_at->toIso8601ZuluString(),
                'report_id' => $taken,
                'instead' => $last,
            ];
            $last = $taken ?? $last;
        }

        return $lines;
    }
}
