<?php

declare(strict_types=1);

namespace App\Http\Resources\Reports;

use App\Actions\Reports\AskQuestions;
use App\Actions\Reports\SeriesMethods;
use App\Models\LabResult;
use HonestCore\Reports\ReportedValue;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @property LabResult $resource */
final class ResultResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $result = $this->resource;

        return [
            'id' => $result->id,
            'row' => $result->row,
            'portion' => $result->portion->code,
            'portion_id' => $result->portion_id,
            'kind' => $result->portion->kind,
            'sample_id' => $result->portion->sample_id,
            'sample' => $result->portion->sample?->code,
            'series' => AskQuestions::series($result->method),
            'method_id' => $result->method_id,
            'as_reported' => $result->as_reported,
            'unit_reported' => $result->unit,
            'form' => $result->form,
            'said' => $result->kind,
            'value' => $result->kind === ReportedValue::NUMBER ? $result->value : null,
            'unit' => SeriesMethods::unit($result->method),
            'superseded' => $result->superseded_by !== null,
            'excluded' => $result->excluded,
        ];
    }
}
