<?php

declare(strict_types=1);

namespace App\Http\Requests\People;

use App\Models\User;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** Whom to invite, and as what. */
final class InvitationRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'email' => ['required', 'string', 'email', 'max:200', 'unique:users'],
            'role' => ['required', Rule::in(User::ROLES)],
            'administers' => ['required', 'boolean'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'email.unique' => 'Somebody has an account with this address already.',
            'email.email' => 'Write an address as ada@fen.example.',
        ];
    }

    /** @return array{email: string, role: string, administers: bool} */
    public function whom(): array
    {
        return [
            'email' => $this->string('email')->lower()->toString(),
            'role' => $this->string('role')->toString(),
            'administers' => $this->boolean('administers'),
        ];
    }
}
