<?php

declare(strict_types=1);

namespace App\Http\Resources\Reports;

use App\Actions\Reports\AskedQuestion;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @property AskedQuestion $resource */
final class QuestionResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $question = $this->resource->question;

        return [
            'id' => $question->id,
            'kind' => $question->kind->value,
            'words' => $question->words,
            'result_ids' => $question->result_ids,
            'answer' => $question->answer,
            'note' => $question->note,
            'by' => $this->resource->by,
            'at' => $question->answered_at?->toIso8601ZuluString(),
            'letter' => $this->resource->letter,
        ];
    }
}
