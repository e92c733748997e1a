<?php

declare(strict_types=1);

namespace App\Http\Controllers\Custody;

use App\Http\Resources\Custody\CheckSoilResource;
use App\Models\CheckSoil;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

final class CreateCheckSoil
{
    public function __invoke(Request $request): JsonResponse
    {
        /** @var User $author */
        $author = $request->user();
        /**
         * @var array{name: string, known: array<string, array{value: float|int, uncertainty: float|int}>,
         * note: string|null} $fields
         */
        $fields = $request->validate(
            [
                'name' => [
                    'required',
                    'string',
                    'min:2',
                    'max:80',
                    Rule::unique('check_soils')->where('team_id', $author->team_id),
                ],
                'known' => ['required', 'array', 'min:1', 'max:12'],
                'known.*' => ['array:value,uncertainty'],
                'known.*.value' => ['required', 'numeric', 'between:0,100000'],
                'known.*.uncertainty' => ['required', 'numeric', 'between:0,10000'],
                'note' => ['present', 'nullable', 'string', 'max:500'],
            ],
            ['known.required' => 'Give at least one known value, such as its pH.'],
        );

        return new JsonResponse(
            new CheckSoilResource(CheckSoil::record(['note' => $fields['note'] ?? ''] + $fields)),
            201,
        );
    }
}
