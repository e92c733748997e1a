<?php

declare(strict_types=1);

namespace App\Http\Controllers\Custody;

use App\Http\Resources\Custody\PortionLine;
use App\Models\Portion;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** What is asked of a portion, and how much soil it holds: its clock follows from the tests. */
final class AskTests
{
    public function __invoke(Request $request, Portion $portion): JsonResponse
    {
        /** @var array{tests: list<string>, volume_ml: int|null} $fields */
        $fields = $request->validate([
            'tests' => ['present', 'array', 'list', 'max:20'],
            'tests.*' => ['string', 'max:30'],
            'volume_ml' => ['present', 'nullable', 'integer', 'between:1,20000'],
        ]);
        $portion->ask($fields['tests'], $fields['volume_ml']);

        return new JsonResponse(PortionLine::whole($portion));
    }
}
