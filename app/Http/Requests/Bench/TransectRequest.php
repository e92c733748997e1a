<?php

declare(strict_types=1);

namespace App\Http\Requests\Bench;

use App\Database\Values;
use App\Http\Requests\Concerns\GivesFields;
use HonestCore\Error\CoreError;
use HonestCore\Probe\RowTransect;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Validator;

/** Readings from a row to mid-row. */
final class TransectRequest extends FormRequest
{
    use GivesFields;

    private ?RowTransect $transect = null;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'read_on' => ['required', 'bail', 'string', 'date_format:Y-m-d', 'after:2000-01-01', 'before_or_equal:+1 day'],
            'reader' => ['required', 'string', 'min:2', 'max:80'],
            'instrument' => ['required', 'string', 'min:2', 'max:80'],
            'row_spacing_cm' => ['required', 'numeric'],
            'places' => ['required', 'array', 'list', 'max:60'],
            'places.*.cm' => ['required', 'numeric'],
            'places.*.readings' => ['required', 'array', 'list', 'max:10'],
            'places.*.readings.*' => ['required', 'numeric'],
            'note' => ['present', 'nullable', 'string', 'max:2000'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'read_on.before_or_equal' => 'The date lies in the future.',
            'places.required' => 'Type the readings of at least one place.',
        ];
    }

    /** @return list<callable(Validator): void> */
    public function after(): array
    {
        return [
            function (Validator $validator): void {
                if ($validator->errors()->isNotEmpty()) {
                    return;
                }
                try {
                    $this->transect = RowTransect::of(
                        $this->float('row_spacing_cm'),
                        array_map(
                            static fn (array $place): array => [
                                'cm' => Values::number($place['cm'] ?? null),
                                'readings' => Values::numbers(is_array($place['readings'] ?? null) ? $place['readings'] : []),
                            ],
                            $this->rowsOf('places'),
                        ),
                    );
                } catch (CoreError $error) {
                    $validator->errors()->add('places', $error->forPeople());
                }
            },
        ];
    }

    public function transect(): RowTransect
    {
        return $this->transect ?? throw new \LogicException('The request was not validated.');
    }
}
