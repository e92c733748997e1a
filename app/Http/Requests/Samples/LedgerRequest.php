<?php

declare(strict_types=1);

namespace App\Http\Requests\Samples;

use App\Models\Portion;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** Which samples of the ledger: any of its facts narrows it. */
final class LedgerRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'page' => ['sometimes', 'integer', 'between:1,100000'],
            'site_id' => ['sometimes', 'integer'],
            'area_id' => ['sometimes', 'integer'],
            'year' => ['sometimes', 'integer', 'between:2000,2200'],
            'depth' => ['sometimes', 'string', 'max:20'],
            'kind' => ['sometimes', Rule::in(array_keys(Portion::LETTERS))],
            'state' => ['sometimes', 'string', 'max:20'],
            'lab_id' => ['sometimes', 'integer'],
            'from' => ['sometimes', 'bail', 'string', 'date_format:Y-m-d'],
            'to' => ['sometimes', 'bail', 'string', 'date_format:Y-m-d'],
            'read' => ['sometimes', Rule::in(['lab', 'bench', 'no_lab', 'no_bench'])],
            'deviates' => ['sometimes', Rule::in(['1'])],
            'q' => ['sometimes', 'string', 'max:60'],
        ];
    }

    /** @return array<string, mixed> what was asked, by the name of the fact */
    public function asked(): array
    {
        $asked = [];
        foreach (array_keys($this->rules()) as $fact) {
            if ($this->has($fact)) {
                $asked[$fact] = $this->validated($fact);
            }
        }

        return $asked;
    }
}
