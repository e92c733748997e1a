<?php

declare(strict_types=1);

namespace App\Http\Requests\Areas;

use App\Models\Area;
use HonestCore\Agronomy\AreaName;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Illuminate\Validation\Validator;

/** Where to cut an area, and what its two parts are called; no line cuts across the middle. */
final class CutRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        $area = $this->route('area');

        return [
            'line' => ['present', 'nullable', 'array'],
            'line.type' => ['required_with:line', Rule::in(['LineString'])],
            'names' => ['required', 'array', 'size:2'],
            'names.*' => [
                'required',
                'string',
                'max:80',
                new NameApart('names', '', 'The two parts need different names.'),
                Rule::unique('areas', 'name')
                    ->where('site_id', $area instanceof Area ? $area->site_id : 0)
                    ->ignore($area instanceof Area ? $area->id : null),
            ],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'names.*.unique' => 'This site has an area of this name already.',
            'names.*.required' => 'Both parts need a name.',
        ];
    }

    /** @return list<callable(Validator): void> */
    public function after(): array
    {
        return [
            function (Validator $validator): void {
                foreach ($this->array('names') as $i => $name) {
                    $question = is_string($name) ? AreaName::question($name) : null;
                    if ($question !== null && $validator->errors()->isEmpty()) {
                        $validator->errors()->add("names.{$i}", $question);
                    }
                }
            },
        ];
    }
}
