<?php

declare(strict_types=1);

namespace App\Http\Requests\Session;

use Illuminate\Foundation\Http\FormRequest;

final class SignInRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return [
            'email' => ['required', 'string', 'max:200'],
            'password' => ['required', 'string', 'max:200'],
            'code' => ['sometimes', 'nullable', 'string', 'max:20'],
        ];
    }

    /** @return array{email: string, password: string} */
    public function credentials(): array
    {
        return ['email' => $this->string('email')->toString(), 'password' => $this->string('password')->toString()];
    }
}
