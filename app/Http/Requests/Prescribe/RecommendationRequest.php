<?php

declare(strict_types=1);

namespace App\Http\Requests\Prescribe;

use HonestCore\Agronomy\Lime\LimeMaterial;
use Illuminate\Foundation\Http\FormRequest;

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
        ];
    }

    /** @return array<string, string> */
    public function attributes(): array
    {
        return ['depth_in' => 'depth in inches', 'cce_percent' => 'calcium carbonate equivalent in percent', 'fineness' => 'fineness as a share'];
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
