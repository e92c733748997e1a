<?php

declare(strict_types=1);

namespace App\Http\Requests\Prescribe;

use App\Models\Area;
use App\Models\Sample;
use HonestCore\Agronomy\Lime\LimeMaterial;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\ValidationException;

/** The material to spread and the depth it is mixed into. */
final class RecommendationRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return [
            'depth_in' => ['sometimes', 'numeric', 'min:1', 'max:12'],
            'cce_percent' => ['sometimes', 'numeric', 'min:10', 'max:180'],
            'fineness' => ['sometimes', 'numeric', 'min:0.05', 'max:1'],
            'sample_id' => ['sometimes', 'nullable', 'integer'],
        ];
    }

    /** @return array<string, string> */
    public function attributes(): array
    {
        return ['depth_in' => 'depth in inches', 'cce_percent' => 'calcium carbonate equivalent in percent', 'fineness' => 'fineness as a share'];
    }

    /** @throws ValidationException when no such composite was pulled from the area */
    public function sampleOf(Area $area): ?int
    {
        if (! $this->filled('sample_id')) {
            return null;
        }

        return Sample::query()->where('area_id', $area->id)->whereKey($this->integer('sample_id'))->exists()
            ? $this->integer('sample_id')
            : throw ValidationException::withMessages(['sample_id' => 'No such composite was pulled from this area.']);
    }

    public function depthInches(): float
    {
        return $this->float('depth_in', 6.0);
    }

    public function material(): LimeMaterial
    {
        return LimeMaterial::of($this->float('cce_percent', 100.0), $this->float('fineness', 1.0));
    }
}
