<?php

declare(strict_types=1);

namespace App\Http\Requests\Prescribe\Concerns;

use App\Models\Area;
use App\Models\Sample;
use Illuminate\Validation\ValidationException;

/** One composite of an area may be asked about. */
trait AsksOfComposite
{
    /** @throws ValidationException when no such composite was pulled from the area */
    public function sampleOf(Area $area): ?int
    {
        if (! $this->filled('sample_id')) {
            return null;
        }

        return Sample::isOf($area, $this->integer('sample_id'))
            ? $this->integer('sample_id')
            : throw ValidationException::withMessages(['sample_id' => 'No such composite was pulled from this area.']);
    }
}
