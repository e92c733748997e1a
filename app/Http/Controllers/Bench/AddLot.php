<?php

declare(strict_types=1);

namespace App\Http\Controllers\Bench;

use App\Exceptions\Conflict;
use App\Http\Resources\Bench\BenchMethodResource;
use App\Models\TestMethod;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

final class AddLot
{
    public function __invoke(Request $request, TestMethod $method): JsonResponse
    {
        $request->validate(
            [
                'reagent' => ['required', 'string', Rule::in($method->current?->parsed()->reagents ?? [])],
                'lot' => ['required', 'string', 'max:60'],
                'expires_on' => ['present', 'nullable', 'bail', 'string', 'date_format:Y-m-d', 'after:2000-01-01', 'before:2100-01-01'],
                'price_cents' => ['present', 'nullable', 'integer', 'between:0,10000000'],
                'tests' => ['present', 'nullable', 'integer', 'between:1,100000'],
            ],
            [
                'reagent.in' => 'The method is made with no such reagent; accepted are '.
                    implode(', ', $method->current?->parsed()->reagents ?? []).
                    '.',
            ],
        );
        if ($method->hasLot($request->string('reagent')->toString(), $request->string('lot')->toString())) {
            throw Conflict::because('lot_on_record', lot: (string) $request->string('lot'));
        }
        $method->lots()->create($request->only(['reagent', 'lot', 'expires_on', 'price_cents', 'tests']));

        return (new BenchMethodResource($method))->response()->setStatusCode(201);
    }
}
