<?php

declare(strict_types=1);

namespace App\Http\Controllers\Labs;

use App\Actions\Labs\LabSimulator;
use App\Exceptions\Conflict;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

final class OrderSimulation
{
    public function __invoke(Request $request, LabSimulator $simulator): JsonResponse
    {
        /** @var array{advance_days?: int, trouble?: string, slip?: string, told?: bool, shape?: string} $order */
        $order = $request->validate([
            'advance_days' => ['sometimes', 'integer', 'between:1,60'],
            'trouble' => ['sometimes', Rule::in(['none', 'lose', 'delay'])],
            'slip' => ['sometimes', Rule::in(['none', 'swap', 'shift'])],
            'told' => ['sometimes', 'boolean:strict'],
            'shape' => ['sometimes', Rule::in(['table', 'titled', 'document'])],
        ]);
        if (! $simulator->isThere()) {
            throw Conflict::because('not_simulated');
        }

        return new JsonResponse(['word' => $simulator->order($order)]);
    }
}
