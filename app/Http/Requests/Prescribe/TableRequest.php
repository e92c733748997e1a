<?php

declare(strict_types=1);

namespace App\Http\Requests\Prescribe;

use HonestCore\Table\ChangedTable;
use Illuminate\Foundation\Http\FormRequest;

/** Figures in the place of those that ship, with where they are from; none puts back those that ship. */
final class TableRequest extends FormRequest
{
    /** A table that cannot be replaced is not there. */
    public function authorize(): bool
    {
        $table = $this->route('table');
        abort_unless(is_string($table) && isset(ChangedTable::REPLACEABLE[$table]), 404);

        return true;
    }

    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return [
            'changes' => ['present', 'array', 'max:1000'],
            'changes.*' => ['required', 'numeric', 'min:0', 'max:1000000'],
            'source' => ['required', 'string', 'min:10', 'max:300'],
            'dated' => ['required', 'bail', 'string', 'date_format:Y-m-d', 'after:1900-01-01', 'before_or_equal:+1 day'],
            'site_only' => ['required', 'boolean'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'source.required' => 'Say where the figures are from.',
            'source.min' => 'Say where the figures are from, in 10 letters or more.',
        ];
    }
}
