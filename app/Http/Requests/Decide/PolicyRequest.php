<?php

declare(strict_types=1);

namespace App\Http\Requests\Decide;

use App\Models\JudgingPolicy;
use HonestCore\Agreement\Looking;
use HonestCore\Agreement\PolicyTerms;
use HonestCore\Agronomy\Crop;
use HonestCore\Table\Fields;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** A new version of a policy: its terms, and why it changes. */
final class PolicyRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'analyte' => ['required', 'string', Rule::in(JudgingPolicy::analytes())],
            'required' => ['required', 'numeric', 'gt:0', 'lt:1'],
            'confidence' => ['required', 'numeric', 'gt:0.5', 'lt:1'],
            'allowable' => ['required', 'numeric', 'gt:0', 'max:1000'],
            'change' => ['required', 'numeric', 'gt:0', 'max:1000'],
            'crops' => ['present', 'array'],
            'crops.*' => ['array', 'size:2'],
            'crops.*.*' => ['numeric', 'between:2.5,11'],
            'thresholds' => ['sometimes', 'array', 'min:1', 'max:8'],
            'thresholds.*' => ['numeric', 'between:0,100000'],
            'looking' => ['sometimes', Rule::in(['once', 'often'])],
            'blind' => ['sometimes', 'boolean'],
            'together' => ['sometimes', 'boolean'],
            'records' => ['sometimes', 'boolean'],
            'reason' => ['required', 'string', 'min:10', 'max:2000'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'reason.required' => 'Say why the policy changes.',
            'reason.min' => 'Say why the policy changes, in a sentence of 10 letters or more.',
        ];
    }

    /** The terms of the new version: those of the one before, changed as asked. */
    public function termsAfter(PolicyTerms $before): PolicyTerms
    {
        $input = new Fields($this->all());
        $crops = new Fields($input->row('crops'));
        $asked = [];
        foreach (array_keys($this->array('crops')) as $use) {
            $asked[(string) $use] = array_map(floatval(...), array_filter($crops->row((string) $use), is_numeric(...)));
        }
        $thresholds = array_filter($this->array('thresholds'), is_numeric(...));

        return $before
            ->withCrops(array_map(array_values(...), $asked), Crop::limits())
            ->changed(
                array_values(array_map(floatval(...), $thresholds)),
                $this->float('allowable'),
                $this->float('change'),
                $this->float('required'),
                $this->float('confidence'),
                $this->filled('looking') ? Looking::from($this->string('looking')->toString()) : null,
                $this->has('blind') ? $this->boolean('blind') : null,
                $this->has('together') ? $this->boolean('together') : null,
                $this->has('records') ? $this->boolean('records') : null,
            );
    }
}
