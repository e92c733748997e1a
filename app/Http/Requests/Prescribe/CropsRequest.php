<?php

declare(strict_types=1);

namespace App\Http\Requests\Prescribe;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\ValidationException;

/** Up to three crops that programs are wanted for, side by side. */
final class CropsRequest extends FormRequest
{
    private const MOST = 3;

    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['crops' => ['required', 'string', 'max:130']];
    }

    /**
     * @return non-empty-list<string>
     *
     * @throws ValidationException
     */
    public function crops(): array
    {
        $crops = array_values(array_unique(array_filter(explode(',', $this->string('crops')->toString()))));

        return $crops !== [] && count($crops) <= self::MOST
            ? $crops
            : throw ValidationException::withMessages(['crops' => 'Accepted are one to three crops, by their codes.']);
    }
}
