<?php

declare(strict_types=1);

namespace App\Http\Requests\Prescribe;

use App\Http\Requests\Prescribe\Concerns\AsksOfComposite;
use HonestCore\Amounts\NutrientQuestion;
use Illuminate\Foundation\Http\FormRequest;

/** The crop and the yield that amounts are sized for. */
final class AmountsRequest extends FormRequest
{
    use AsksOfComposite;

    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return [
            'crop' => ['sometimes', 'nullable', 'string', 'max:40', 'in:'.implode(',', NutrientQuestion::CROPS)],
            'yield' => ['sometimes', 'nullable', 'numeric', 'min:0', 'max:1000'],
            'sample_id' => ['sometimes', 'nullable', 'integer'],
        ];
    }

    public function yield(): ?float
    {
        return $this->filled('yield') ? $this->float('yield') : null;
    }

    public function crop(): ?string
    {
        return $this->filled('crop') ? (string) $this->string('crop') : null;
    }
}
