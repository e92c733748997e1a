<?php

declare(strict_types=1);

namespace App\Http\Requests\Labs;

use App\Actions\Custody\FindPortions;
use App\Models\Lab;
use App\Models\Portion;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\ValidationException;

/** Portions and tests for one lab, and the answers to its form. */
final class ConsignmentRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'lab_id' => ['required', 'integer'],
            'submission' => [$this->routeIs('consignments.pack') ? 'required' : 'sometimes', 'uuid'],
            'portions' => [$this->routeIs('consignments.pack') ? 'required' : 'present', 'array', 'list', 'max:200'],
            'portions.*.code' => ['required', 'string', 'max:40', 'distinct'],
            'portions.*.tests' => ['present', 'array', 'list', 'max:20'],
            'portions.*.tests.*' => ['string', 'max:30'],
            'answers' => ['present', 'array', 'max:30'],
            'answers.*.label' => ['required', 'string', 'max:60'],
            'answers.*.value' => ['present', 'nullable', 'string', 'max:300'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'portions.*.code.distinct' => 'This portion is in the list twice: scanned twice?',
            'portions.required' => 'The consignment is empty: choose portions and tests.',
        ];
    }

    public function lab(): Lab
    {
        return Lab::named($this->integer('lab_id'));
    }

    /** @return list<array{portion: Portion, tests: list<string>}> */
    public function contents(FindPortions $find): array
    {
        /** @var list<array{code: string, tests: list<string>}> $asked */
        $asked = $this->array('portions');
        $found = $asked === [] ? new Collection() : $find(array_column($asked, 'code'));
        if ($found->count() < count($asked)) {
            throw ValidationException::withMessages(['portions' => 'A portion is in the list twice: scanned twice?']);
        }

        return array_values(
            $found
                ->map(
                    static fn (Portion $portion, int $i): array => [
                        'portion' => $portion,
                        'tests' => $asked[$i]['tests'],
                    ],
                )
                ->all(),
        );
    }

    /** @return array<string, string> */
    public function answers(): array
    {
        /** @var list<array{label: string, value: string|null}> $answers */
        $answers = array_values($this->array('answers'));

        return array_combine(
            array_column($answers, 'label'),
            array_map(static fn (array $one): string => $one['value'] ?? '', $answers),
        );
    }
}
