<?php

declare(strict_types=1);

namespace App\Http\Requests\FollowUp;

use App\Models\Area;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** A strip left untreated: drawn, an area that is there, or only named. */
final class ControlRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        $area = $this->route('area');

        return [
            'name' => [
                'required',
                'string',
                'max:80',
                ...$this->input('boundary') !== null && $area instanceof Area
                    ? [Rule::unique('areas')->where('site_id', $area->site_id)]
                    : [],
            ],
            'since' => ['required', 'bail', 'string', 'date_format:Y-m-d', 'after:1950-01-01', 'before_or_equal:+1 day'],
            'boundary' => ['present', 'nullable', 'array'],
            'ground_id' => ['present', 'nullable', 'integer'],
            'note' => ['present', 'nullable', 'string', 'max:500'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'name.required' => 'Name the strip, so that it can be found again.',
            'name.unique' => 'This site has an area of this name already.',
            'since.date_format' => 'This is no day; accepted is one such as 2026-11-29.',
            'since.before_or_equal' => 'The date lies in the future.',
        ];
    }

    /** @return array<string, mixed>|null */
    public function boundary(): ?array
    {
        /** @var array<string, mixed>|null $boundary */
        $boundary = $this->input('boundary');

        return $boundary;
    }
}
