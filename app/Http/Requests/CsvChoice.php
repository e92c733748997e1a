<?php

declare(strict_types=1);

namespace App\Http\Requests;

use HonestCore\Table\CsvForm;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

/** In which form somebody wants a CSV; as RFC 4180 has it where nothing is asked. */
final class CsvChoice
{
    public static function of(Request $request): CsvForm
    {
        $request->validate(['form' => ['sometimes', Rule::in(CsvForm::NAMES)], 'mark' => ['sometimes', 'boolean']]);
        $name = $request->filled('form') ? $request->string('form')->toString() : CsvForm::COMMA;

        return CsvForm::named($name, $request->boolean('mark'));
    }
}
