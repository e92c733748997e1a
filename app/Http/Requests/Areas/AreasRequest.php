<?php

declare(strict_types=1);

namespace App\Http\Requests\Areas;

use App\Models\Site;
use HonestCore\Agronomy\AreaName;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Illuminate\Validation\Validator;

/** Several areas at once, as read from a file: all are stored or none. */
final class AreasRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        $site = $this->route('site');
        $rules = ['areas' => ['required', 'array', 'min:1', 'max:200']];
        foreach (AreaRequest::fields() as $field => $rule) {
            $rules["areas.*.{$field}"] = $rule;
        }

        return [
            ...$rules,
            'areas.*.name' => [
                'required',
                'string',
                'max:80',
                new NameApart('areas', 'name', 'This name stands twice in the file.'),
                Rule::unique('areas', 'name')->where('site_id', $site instanceof Site ? $site->id : 0),
            ],
            'areas.*.keep_name' => ['sometimes', 'boolean'],
        ];
    }

    /** @return list<callable(Validator): void> */
    public function after(): array
    {
        return [
            function (Validator $validator): void {
                foreach ($this->array('areas') as $i => $area) {
                    $name =
                        is_array($area) && is_string($area['name'] ?? null) && ($area['keep_name'] ?? false) !== true
                            ? $area['name']
                            : null;
                    $question = $name === null ? null : AreaName::question($name);
                    if ($question !== null) {
                        $validator->errors()->add("areas.{$i}.name", $question);
                    }
                }
            },
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'areas.*.name.required' => 'Give it a name that will still find the ground in ten years.',
            'areas.*.name.unique' => 'This site has an area of this name already.',
            'areas.*.use.required' => 'Choose a use from the list.',
            'areas.*.use.in' => 'Choose a use from the list.',
        ];
    }

    /** @return list<array{name: string, use: string, history: string, boundary: array<string, mixed>}> */
    public function areas(): array
    {
        /** @var list<array{name: string, use: string, history: string|null, boundary: array<string, mixed>}> $areas */
        $areas = $this->validated('areas');

        return array_map(
            static fn (array $area): array => [
                'name' => trim($area['name']),
                'use' => $area['use'],
                'history' => $area['history'] ?? '',
                'boundary' => $area['boundary'],
            ],
            $areas,
        );
    }
}
