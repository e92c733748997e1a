<?php

declare(strict_types=1);

namespace App\Http\Requests\Plans;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** The ground to compare schemes on, and what is at stake. */
final class ComparisonRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'ground' => ['required', Rule::in(['stated', 'fitted', 'results'])],
            'mean_ph' => ['required', 'numeric', 'between:3.5,9.5'],
            'sd_ph' => ['required', 'numeric', 'between:0,2'],
            'range_m' => ['required', 'numeric', 'between:1,5000'],
            'fields' => ['required', 'integer', 'between:10,500'],
            'seed' => ['required', 'integer', 'between:0,2147483647'],
            'cores_in_composite' => ['required', 'integer', 'between:1,200'],
            'cores_in_cell' => ['required', 'integer', 'between:1,200'],
            'stakes' => ['present', 'array'],
            'stakes.*' => ['numeric', 'min:0', 'max:1000000'],
            'results' => ['present', 'nullable', 'string', 'max:500000', 'required_unless:ground,stated'],
        ];
    }

    /** @return array<string, string> */
    public function attributes(): array
    {
        return [
            'mean_ph' => 'mean pH',
            'sd_ph' => 'spread of pH',
            'range_m' => 'range',
            'fields' => 'number of fields',
            'stakes.*' => 'stake',
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'results.required_unless' => 'Paste earlier results: longitude, latitude and ph, a header and a row for '.
                'each.',
        ];
    }

    /** @return array<string, float> */
    public function stakes(): array
    {
        return array_map(floatval(...), array_filter($this->array('stakes'), is_numeric(...)));
    }
}
