<?php

declare(strict_types=1);

namespace App\Http\Requests\Custody;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Carbon;
use Illuminate\Validation\Rule;

/** Portions to be split off, or a check soil to be slipped in. */
final class SplitRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        $check = $this->route('site') !== null;

        return [
            'kind' => $check ? ['prohibited'] : ['required', Rule::in(['lab_b', 'archive', 'hidden'])],
            'check_soil_id' => $check ? ['required', 'integer'] : ['prohibited'],
            'volume_ml' => ['present', 'nullable', 'integer', 'between:1,20000'],
            'tests' => ['present', 'array', 'list', 'max:20'],
            'tests.*' => ['string', 'max:30'],
            'at' => ['required', 'bail', 'string', 'date', 'before_or_equal:+2 minutes'],
            'dry' => $check ? ['sometimes'] : ['required', 'boolean'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'at.before_or_equal' => 'The time lies in the future.',
            'volume_ml.between' => 'The volume must lie between 1 and 20,000 ml.',
            'kind.in' => 'Accepted are a second lab portion, an archive portion and a hidden duplicate.',
        ];
    }

    public function at(): Carbon
    {
        return Carbon::parse($this->string('at')->toString());
    }

    public function volumeMl(): ?int
    {
        return $this->input('volume_ml') === null ? null : $this->integer('volume_ml');
    }

    /** @return list<string> */
    public function tests(): array
    {
        /** @var list<string> $tests */
        $tests = $this->array('tests');

        return array_values(array_unique($tests));
    }
}
