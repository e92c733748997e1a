<?php

declare(strict_types=1);

namespace App\Http\Requests\Prescribe;

use App\Http\Requests\Prescribe\Concerns\GivesChoices;
use Illuminate\Foundation\Http\FormRequest;

/** What a reviewer signs: the program as it was looked at. */
final class SignProgramRequest extends FormRequest
{
    use GivesChoices;

    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return [
            ...$this->choicesRules(),
            'hash' => ['required', 'string', 'size:64'],
            'follows_id' => ['present', 'nullable', 'integer'],
            'note' => ['present', 'nullable', 'string', 'max:2000'],
            'password' => ['bail', 'required', 'string', 'max:200', 'current_password'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'password.required' => 'Signing asks for your password again.',
            'password.current_password' => 'That is not your password; nothing was signed.',
        ];
    }
}
