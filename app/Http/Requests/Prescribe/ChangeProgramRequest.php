<?php

declare(strict_types=1);

namespace App\Http\Requests\Prescribe;

use App\Http\Requests\Prescribe\Concerns\GivesChoices;
use Illuminate\Foundation\Http\FormRequest;

/** Choices that are kept as a draft, with the reason for the change. */
final class ChangeProgramRequest extends FormRequest
{
    use GivesChoices;

    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return [
            ...$this->choicesRules(),
            'version' => ['required', 'integer', 'min:0'],
            'reason' => ['required', 'string', 'min:3', 'max:500'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['reason.required' => 'Say why it is changed; the reason stays with the program.'];
    }
}
