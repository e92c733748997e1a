<?php

declare(strict_types=1);

namespace App\Http\Requests\Prescribe;

use App\Actions\Prescribe\Shelf;
use Illuminate\Foundation\Http\FormRequest;

/** A product of the shelf; what its figures mean is checked by the core. */
final class ProductRequest extends FormRequest
{
    /** A product that the shelf does not have is not there, whatever is sent for it. */
    public function authorize(Shelf $shelf): bool
    {
        $product = $this->route('product');
        abort_unless($product === null || (is_string($product) && isset($shelf->all()[$product])), 404);

        return true;
    }

    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return [
            'name' => ['required', 'string', 'max:80'],
            'kind' => ['required', 'string', 'max:20'],
            'grades' => ['present', 'array', 'max:11'],
            'grades.*' => ['nullable', 'numeric', 'between:0,100'],
            'cce' => ['present', 'nullable', 'numeric', 'between:1,180'],
            'p8' => ['present', 'nullable', 'required_with:cce', 'numeric', 'between:0,100'],
            'p60' => ['present', 'nullable', 'required_with:cce', 'numeric', 'between:0,100'],
            'water' => ['present', 'nullable', 'numeric', 'between:0,100'],
            'density' => ['present', 'nullable', 'numeric', 'between:0.05,3'],
            'bag_lb' => ['present', 'nullable', 'numeric', 'gt:0', 'max:4999'],
            'price' => ['present', 'nullable', 'numeric', 'gt:0', 'max:999999'],
            'most' => ['present', 'nullable', 'numeric', 'gt:0', 'max:999999'],
            'organic' => ['required', 'boolean'],
            'slow' => ['required', 'boolean'],
            'ammonium' => ['required', 'boolean'],
            'nitrate' => ['required', 'boolean'],
            'off' => ['required', 'boolean'],
        ];
    }

    /** @return array<string, mixed> */
    public function row(): array
    {
        /** @var array<string, mixed> $row */
        $row = $this->validated();
        $row['grades'] = array_filter($this->array('grades'), static fn (mixed $grade): bool => $grade !== null);

        return $row;
    }
}
