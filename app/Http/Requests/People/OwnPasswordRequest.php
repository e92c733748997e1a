<?php

declare(strict_types=1);

namespace App\Http\Requests\People;

use App\Exceptions\Conflict;
use App\Models\User;
use Illuminate\Foundation\Http\FormRequest;

/** What a person does with their own account: only with their password, once more. */
final class OwnPasswordRequest extends FormRequest
{
    /** What a password has to be: bcrypt reads no more than 72 bytes. */
    public const GOOD = ['required', 'string', 'min:10', 'max:72'];

    public const WORDS = [
        'new_password.required' => 'Think of a password.',
        'new_password.min' => 'A password has 10 characters at least; several words are easier to keep than odd signs.',
        'new_password.max' => 'A password has 72 characters at most.',
    ];

    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['password' => ['bail', 'required', 'string', 'max:200', 'current_password']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['password.current_password' => 'That is not your password; nothing was changed.'];
    }

    public function person(): User
    {
        /** @var User $user */
        $user = $this->user();

        return $user->isOfDemo() ? throw Conflict::because('of_the_demo') : $user;
    }
}
