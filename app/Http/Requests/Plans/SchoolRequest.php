<?php

declare(strict_types=1);

namespace App\Http\Requests\Plans;

use HonestCore\Sampling\Pattern;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** A team's own row of a school. */
final class SchoolRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'name' => ['required', 'string', 'min:2', 'max:80'],
            'acres' => ['present', 'nullable', 'numeric', 'gt:0', 'max:10000'],
            'cores' => ['required', 'array', 'size:3'],
            'cores.*' => ['required', 'integer', 'between:1,200'],
            'layers' => ['required', 'array', 'min:1', 'max:8'],
            'layers.*' => ['required', 'string', 'max:20'],
            'pattern' => ['required', Rule::enum(Pattern::class)],
            'cell_acres' => ['present', 'nullable', 'numeric', 'gt:0', 'max:1000'],
            'why' => ['required', 'string', 'min:10', 'max:500'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'why.required' => 'Say why this school does it so.',
            'why.min' => 'Say why this school does it so, in 10 letters or more.',
        ];
    }
}
