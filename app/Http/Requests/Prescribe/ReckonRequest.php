<?php

declare(strict_types=1);

namespace App\Http\Requests\Prescribe;

use HonestCore\Reckoner\ReckonerTool;
use Illuminate\Foundation\Http\FormRequest;

/** What was typed into a computation, as text: the computation itself says what it takes. */
final class ReckonRequest extends FormRequest
{
    /** A computation that is not offered is not there. */
    public function authorize(): bool
    {
        $tool = $this->route('tool');
        $codes = array_map(static fn (ReckonerTool $one): string => $one->code, ReckonerTool::all());
        abort_unless(is_string($tool) && in_array($tool, $codes, true), 404);

        return true;
    }

    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return [
            'given' => ['present', 'array', 'max:20'],
            'given.*' => ['nullable', 'string', 'max:20000'],
            'units' => ['sometimes', 'string', 'in:us,metric'],
        ];
    }

    public function isMetric(): bool
    {
        return $this->input('units') === 'metric';
    }

    /** @return array<string, string> */
    public function given(): array
    {
        $given = [];
        foreach ($this->array('given') as $name => $value) {
            $given[(string) $name] = is_string($value) ? $value : '';
        }

        return $given;
    }
}
