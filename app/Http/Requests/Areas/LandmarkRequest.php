<?php

declare(strict_types=1);

namespace App\Http\Requests\Areas;

use App\Http\Requests\Concerns\GivesFields;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

final class LandmarkRequest extends FormRequest
{
    use GivesFields;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'name' => ['required', 'string', 'min:2', 'max:80'],
            'geometry' => ['required', 'array'],
            'geometry.type' => ['required', Rule::in(['Point', 'LineString', 'Polygon'])],
            'geometry.coordinates' => ['required', 'array'],
            'distance_m' => ['required', 'numeric', 'min:0', 'max:10000'],
        ];
    }
}
