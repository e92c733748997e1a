<?php

declare(strict_types=1);

namespace App\Http\Controllers\Labs;

use App\Actions\Labs\LabService;
use App\Exceptions\Conflict;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

final class OrderSimulation
{
    public function __invoke(Request $request, LabService $service): JsonResponse
    {
        /** @var array{advance_days?: int, trouble?: string} $order */
        $order = $request->validate(['advance_days' => ['sometimes', 'integer', 'between:1,60'], 'trouble' => ['sometimes', Rule::in(['none', 'lose', 'delay'])]]);
        if (! $service->isSimulated()) {
            throw new Conflict('Only a simulated lab has days that can be moved on.');
        }

        return new JsonResponse(['word' => $service->order($order)]);
    }
}
