<?php

declare(strict_types=1);

namespace App\Http\Requests\Decide;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** What a reviewer signs: the claim, the evidence as it was looked at, and where it holds. */
final class VerdictRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'reference_id' => ['sometimes', 'nullable', 'integer'],
            'records' => ['sometimes', 'boolean'],
            'claim' => ['required', Rule::in(['sort', 'rate', 'track'])],
            'hash' => ['required', 'string', 'size:64'],
            'follows_id' => ['present', 'nullable', 'integer'],
            'scope' => ['required', 'string', 'min:10', 'max:500'],
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
            'scope.required' => 'Say where the verdict holds: test, lot, readers and soils.',
            'scope.min' => 'Say where the verdict holds in 10 letters or more: test, lot, readers and soils.',
        ];
    }
}
