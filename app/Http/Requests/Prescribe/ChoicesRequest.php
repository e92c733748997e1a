<?php

declare(strict_types=1);

namespace App\Http\Requests\Prescribe;

use App\Http\Requests\Prescribe\Concerns\GivesChoices;
use Illuminate\Foundation\Http\FormRequest;

/** Choices that are tried and not kept. */
final class ChoicesRequest extends FormRequest
{
    use GivesChoices;

    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return $this->choicesRules();
    }
}
