<?php

declare(strict_types=1);

namespace App\Http\Requests\Bench;

use App\Database\Values;
use App\Http\Requests\Concerns\GivesFields;
use Illuminate\Foundation\Http\FormRequest;

/** A pen in its buffers. */
final class CalibrationRequest extends FormRequest
{
    use GivesFields;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'instrument' => ['required', 'string', 'min:2', 'max:80'],
            'in_millivolts' => ['required', 'boolean'],
            'celsius' => ['required', 'numeric'],
            'points' => ['required', 'array', 'list', 'max:10'],
            'points.*.buffer' => ['required', 'numeric'],
            'points.*.shown' => ['required', 'numeric'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'points.*.shown.required' => 'Type what the pen shows in every buffer, a number with a decimal point.',
            'points.*.shown.numeric' => 'What the pen shows must be a number with a decimal point.',
            'points.*.buffer.required' => 'Type the pH of every buffer, as its bottle says for its temperature.',
        ];
    }

    /** @return list<array{buffer: float, shown: float}> */
    public function points(): array
    {
        return array_map(
            static fn (array $point): array => [
                'buffer' => Values::number($point['buffer'] ?? null),
                'shown' => Values::number($point['shown'] ?? null),
            ],
            $this->rowsOf('points'),
        );
    }
}
