<?php

declare(strict_types=1);

namespace App\Http\Requests\Labs;

use App\Database\Values;
use App\Models\Lab;
use App\Models\User;
use HonestCore\Error\CoreError;
use HonestCore\Quantity\DepthLayer;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Illuminate\Validation\Validator;

/** A lab as it is known: its tests, its times, its form and the columns of its list. */
final class LabRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'name' => ['required', 'string', 'min:2', 'max:80', $this->unused()],
            'address' => ['present', 'nullable', 'string', 'max:200'],
            'email' => ['present', 'nullable', 'email', 'max:120'],
            'turnaround_days' => ['required', 'integer', 'between:1,120'],
            'transit_days' => ['required', 'integer', 'between:0,30'],
            'holidays' => ['present', 'array', 'list', 'max:60'],
            'holidays.*' => ['bail', 'string', 'date_format:Y-m-d', 'distinct'],
            'bag_ml' => ['required', 'integer', 'between:10,5000'],
            'quarantine' => ['present', 'nullable', 'string', 'max:200'],
            'tests' => ['required', 'array', 'list', 'min:1', 'max:40'],
            'tests.*.code' => ['required', 'string', 'regex:/^[a-z][a-z0-9_]{0,29}$/', 'distinct'],
            'tests.*.name' => ['required', 'string', 'max:60'],
            'tests.*.method' => ['present', 'nullable', 'string', 'max:60'],
            'tests.*.extractant' => ['present', 'nullable', 'string', 'max:60'],
            'tests.*.unit' => ['present', 'nullable', 'string', 'max:20'],
            'tests.*.fee_cents' => ['required', 'integer', 'between:0,1000000'],
            'tests.*.needs_ml' => ['required', 'integer', 'between:0,5000'],
            'tests.*.depth' => ['present', 'nullable', 'string', 'max:20'],
            'tests.*.outside' => ['present', 'nullable', 'string', 'max:60'],
            'form' => ['present', 'array', 'list', 'max:30'],
            'form.*.label' => ['required', 'string', 'max:60', 'distinct'],
            'form.*.required' => ['required', 'boolean'],
            'columns' => ['required', 'array', 'list', 'min:1', 'max:20'],
            'columns.*.column' => ['required', 'string', 'max:40'],
            'columns.*.field' => ['required', Rule::in(Lab::FIELDS)],
            'service' => ['required', 'boolean'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'name.unique' => 'There is a lab of this name already.',
            'tests.*.code.regex' => 'A code of a test begins with a small letter and holds small letters, digits '.
                'and underscores, such as ph or no3n.',
            'holidays.*.date_format' => 'A holiday is a date such as 2026-12-25.',
        ];
    }

    /** @return list<callable(Validator): void> */
    public function after(): array
    {
        return [
            function (Validator $validator): void {
                foreach ($this->array('tests') as $i => $test) {
                    $depth = is_array($test) ? $test['depth'] ?? null : null;
                    try {
                        is_string($depth) && DepthLayer::parse($depth);
                    } catch (CoreError) {
                        $validator
                            ->errors()
                            ->add(
                                "tests.{$i}.depth",
                                'This is no layer; accepted is one such as 0-6in or 0-15cm, or nothing where any '.
                                    'depth will do.',
                            );
                    }
                }
            },
        ];
    }

    /** @return array<string, mixed> */
    public function fields(): array
    {
        /** @var array<string, mixed> $fields */
        $fields = $this->validated();
        foreach (['address', 'email', 'quarantine'] as $text) {
            $fields[$text] ??= '';
        }
        $fields['tests'] = array_map(
            static fn (array $test): array => [
                'method' => Values::text($test['method'] ?? ''),
                'extractant' => Values::text($test['extractant'] ?? ''),
                'unit' => Values::text($test['unit'] ?? ''),
                'outside' => Values::text($test['outside'] ?? ''),
            ] + $test,
            array_values(array_filter((array) $fields['tests'], is_array(...))),
        );

        return $fields;
    }

    private function unused(): \Illuminate\Validation\Rules\Unique
    {
        /** @var User $author */
        $author = $this->user();
        $lab = $this->route('lab');

        return Rule::unique('labs')
            ->where('team_id', $author->team_id)
            ->ignore($lab instanceof Lab ? $lab->id : null);
    }
}
