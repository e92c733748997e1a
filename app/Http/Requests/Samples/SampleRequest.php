<?php

declare(strict_types=1);

namespace App\Http\Requests\Samples;

use App\Models\Plan;
use App\Models\PullNote;
use App\Models\Sample;
use HonestCore\Custody\CoreMark;
use HonestCore\Custody\Outcome;
use HonestCore\Table\Fields;
use HonestCore\Table\RuleTable;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Illuminate\Validation\Validator;

/** A composite as it was pulled: core by core from the phone, or counted at the desk. */
final class SampleRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'composite' => ['sometimes', 'integer', Rule::in($this->open())],
            'pulled_on' => ['required', 'bail', 'string', 'date_format:Y-m-d', 'after:2000-01-01', 'before_or_equal:+1 day'],
            'pulled_by' => ['required', 'string', 'min:2', 'max:80'],
            'cores_pulled' => [Rule::requiredIf(! $this->has('cores')), 'integer', 'min:1', 'max:'.$this->planned()],
            'cores' => ['sometimes', 'array', 'max:'.$this->planned()],
            'cores.*.sequence' => ['required', 'integer', 'min:1', 'max:'.$this->planned(), 'distinct'],
            'cores.*.outcome' => ['required', Rule::in(array_column(Outcome::ofHandIn(), 'value'))],
            'cores.*.reason' => ['present', 'nullable', 'string', 'max:200'],
            'note' => ['present', 'nullable', 'string', 'max:2000'],
            'submission' => ['sometimes', 'uuid'],
            'conditions' => ['sometimes', 'array:depth_reached_cm,tool,moisture,weather,helper'],
            'conditions.depth_reached_cm' => ['nullable', 'numeric', 'between:1,300'],
            'conditions.tool' => [
                'nullable',
                Rule::in(array_column((array) RuleTable::named('pulling')['tools'], 'code')),
            ],
            'conditions.moisture' => [
                'nullable',
                Rule::in(array_column((array) RuleTable::named('pulling')['moistures'], 'code')),
            ],
            'conditions.weather' => ['nullable', 'string', 'max:80'],
            'conditions.helper' => ['nullable', 'string', 'max:80'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'composite.in' => 'This composite is not in the plan, or was pulled already.',
            'pulled_on.before_or_equal' => 'The date lies in the future.',
            'conditions.depth_reached_cm.between' => 'The depth reached must lie between 1 and 300 cm.',
            'cores_pulled.max' => "The plan has {$this->planned()} cores; accepted are 1 to {$this->planned()}.",
        ];
    }

    /** @return list<callable(Validator): void> */
    public function after(): array
    {
        return [
            function (Validator $validator): void {
                if ($validator->errors()->isEmpty() && $this->coresPulled() < 1 && ! $this->isNoted()) {
                    $validator
                        ->errors()
                        ->add(
                            'cores',
                            'No core was pulled, so there is no composite; accepted is at least 1 core pulled or '.
                                'moved.',
                        );
                }
            },
        ];
    }

    public function composite(): int
    {
        $plan = $this->route('plan');

        return $this->integer('composite', $plan instanceof Plan ? $plan->layout->composites[0]->number : 1);
    }

    public function coresPulled(): int
    {
        $cores = $this->cores();

        return $cores === []
            ? $this->integer('cores_pulled')
            : CoreMark::countUp($cores);
    }

    /** @return list<CoreMark> */
    public function cores(): array
    {
        return array_map(CoreMark::fromRow(...), (new Fields($this->all()))->rows('cores'));
    }

    /**
     * @return array{depth_reached_cm?: float, tool?: string, moisture?: string, weather?: string, helper?: string}
     *                                                                                                              what was said
     */
    public function conditions(): array
    {
        $said = [
            'depth_reached_cm' => $this->input('conditions.depth_reached_cm') === null
                    ? null
                    : $this->float('conditions.depth_reached_cm'),
        ];
        foreach (['tool', 'moisture', 'weather', 'helper'] as $field) {
            $said[$field] = $this->string("conditions.{$field}")
                ->trim()
                ->toString();
        }

        /** @var array{depth_reached_cm?: float, tool?: string, moisture?: string, weather?: string, helper?: string} */
        return array_filter($said, static fn (float|string|null $value): bool => $value !== null && $value !== '');
    }

    /** @return list<int> composites that may still be pulled, or were handed in under the same id */
    private function open(): array
    {
        $plan = $this->route('plan');
        if (! ($plan instanceof Plan)) {
            return [];
        }
        $submission = $this->input('submission');
        $same = is_string($submission)
            ? array_values(
                $plan->samples
                    ->where('submission', $submission)
                    ->map(static fn (Sample $sample): int => $sample->composite)
                    ->all(),
            )
            : [];

        return [...$plan->toPull(), ...$same];
    }

    /** Did phones note its cores one by one before? */
    private function isNoted(): bool
    {
        $plan = $this->route('plan');

        return $plan instanceof Plan && PullNote::areOf($plan, $this->composite());
    }

    private function planned(): int
    {
        $plan = $this->route('plan');

        return $plan instanceof Plan
            ? $plan->layout->coresOf($this->composite())
            : 0;
    }
}
