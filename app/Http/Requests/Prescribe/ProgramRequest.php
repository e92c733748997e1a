<?php

declare(strict_types=1);

namespace App\Http\Requests\Prescribe;

use Illuminate\Foundation\Http\FormRequest;

/** Which crop's program is asked for; none for the one that was drafted last. */
final class ProgramRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['crop' => ['sometimes', 'nullable', 'string', 'max:40']];
    }

    public function crop(): ?string
    {
        return $this->filled('crop') ? $this->string('crop')->toString() : null;
    }
}
