<?php

declare(strict_types=1);

namespace App\Http\Requests\Decide;

use App\Models\JudgingPolicy;
use HonestCore\Agronomy\Crop;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** A new version of a policy: its terms, and why it changes. */
final class PolicyRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'analyte' => ['required', 'string', Rule::in(JudgingPolicy::query()->distinct()->pluck('analyte')->all())],
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

    /**
     * The terms of the new version: those of the one before, changed as asked.
     *
     * @param array{thresholds: list<float|int>, crops: array<string, list<float|int>>, actions: list<string>,
     *     scale: string, looking?: string} $before
     * @return array<string, mixed>
     */
    public function termsAfter(array $before): array
    {
        /** @var array<string, list<float|int|string>> $crops */
        $crops = $this->array('crops');
        $table = Crop::limits();
        foreach (array_intersect_key($crops, $table) as $use => $limits) {
            $before['crops'][$use] = array_map(floatval(...), array_values($limits));
        }
        // Only what the team has changed is kept: a crop that comes later has the limits of the table.
        $before['crops'] = array_filter(
            $before['crops'],
            static fn (array $limits, string $use): bool => ! isset($table[$use]) ||
                array_map(floatval(...), $limits) !== $table[$use],
            ARRAY_FILTER_USE_BOTH,
        );

        $thresholds = array_map(floatval(...), array_values($this->array('thresholds')));

        return [
            ...$before,
            'thresholds' => $thresholds === [] ? $before['thresholds'] : $thresholds,
            'looking' => $this->filled('looking') ? $this->string('looking')->toString() : $before['looking'] ?? 'once',
            'required' => $this->float('required'),
            'confidence' => $this->float('confidence'),
            'allowable' => $this->float('allowable'),
            'change' => $this->float('change'),
        ];
    }
}
