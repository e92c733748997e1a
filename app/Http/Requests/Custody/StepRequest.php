<?php

declare(strict_types=1);

namespace App\Http\Requests\Custody;

use HonestCore\Custody\CustodyStep;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Carbon;
use Illuminate\Validation\Rule;

/** A step of one or more portions, named by their codes. */
final class StepRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        $steps = array_map(static fn (CustodyStep $step): string => $step->code, CustodyStep::all());

        return [
            'submission' => ['required', 'uuid'],
            'codes' => ['required', 'array', 'list', 'min:1', 'max:200'],
            'codes.*' => ['required', 'string', 'max:40'],
            'step' => ['required', Rule::in([...$steps, CustodyStep::WITHDRAWN])],
            'at' => ['required', 'bail', 'string', 'date'],
            'place' => ['present', 'nullable', 'string', 'max:80'],
            'condition' => [
                'present',
                'nullable',
                'string',
                'max:200',
                Rule::requiredIf(fn (): bool => $this->input('corrects') !== null),
            ],
            'celsius' => ['present', 'nullable', 'numeric', 'between:-40,60'],
            'corrects' => [
                'present',
                'nullable',
                'string',
                'max:80',
                Rule::requiredIf(fn (): bool => $this->input('step') === CustodyStep::WITHDRAWN),
            ],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'codes.required' => 'Scan or type at least one code.',
            'codes.max' => 'Up to 200 codes are taken at once.',
            'at.date' => 'This is no moment; accepted is a date and a time.',
            'condition.required' => 'Say why the line is corrected.',
            'celsius.between' => 'The temperature must lie between -40 and 60 °C.',
        ];
    }

    /** @return list<string> */
    public function codes(): array
    {
        /** @var list<string> $codes */
        $codes = $this->array('codes');

        return $codes;
    }

    /**
     * @return array{submission: string, step: string, at: Carbon, place: string, condition: string,
     * celsius: float|null, corrects: string|null}
     */
    public function line(): array
    {
        return [
            'submission' => $this->string('submission')->toString(),
            'step' => $this->string('step')->toString(),
            'at' => Carbon::parse($this->string('at')->toString()),
            'place' => $this->string('place')->trim()->toString(),
            'condition' => $this->string('condition')->trim()->toString(),
            'celsius' => $this->input('celsius') === null ? null : $this->float('celsius'),
            'corrects' => $this->input('corrects') === null ? null : $this->string('corrects')->toString(),
        ];
    }
}
