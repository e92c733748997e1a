<?php

declare(strict_types=1);

namespace App\Http\Requests\Prescribe;

use App\Http\Requests\Prescribe\Concerns\AsksOfComposite;
use HonestCore\Agronomy\Lime\LimeMaterial;
use Illuminate\Foundation\Http\FormRequest;

/** The material to spread and the depth it is mixed into. */
final class RecommendationRequest extends FormRequest
{
    use AsksOfComposite;

    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return [
            'depth_in' => ['sometimes', 'numeric', 'min:1', 'max:12'],
            'cce_percent' => ['sometimes', 'numeric', 'min:10', 'max:180'],
            'through_8' => ['sometimes', 'numeric', 'min:1', 'max:100'],
            'through_60' => ['sometimes', 'numeric', 'min:0', 'max:100'],
            'moisture' => ['sometimes', 'numeric', 'min:0', 'max:90'],
            'sample_id' => ['sometimes', 'nullable', 'integer'],
        ];
    }

    /** @return array<string, string> */
    public function attributes(): array
    {
        return [
            'depth_in' => 'depth in inches',
            'cce_percent' => 'calcium carbonate equivalent in percent',
            'through_8' => 'share through 8 mesh in percent',
            'through_60' => 'share through 60 mesh in percent',
            'moisture' => 'water in percent',
        ];
    }

    public function depthInches(): float
    {
        return $this->float('depth_in', 6.0);
    }

    public function material(): LimeMaterial
    {
        $usual = LimeMaterial::reference();

        return LimeMaterial::ground(
            $this->float('cce_percent', $usual->ccePercent),
            $this->float('through_8', $usual->through8),
            $this->float('through_60', $usual->through60),
            $this->float('moisture', 0.0),
        );
    }
}
