<?php

declare(strict_types=1);

namespace App\Http\Controllers\Prescribe;

use App\Actions\Prescribe\RunReckoner;
use App\Http\Requests\Prescribe\ReckonRequest;
use HonestCore\Reckoner\ReckonerTool;
use Illuminate\Http\JsonResponse;

final class Reckon
{
    public function __invoke(ReckonRequest $request, string $tool, RunReckoner $run): JsonResponse
    {
        $found = $run(ReckonerTool::named($tool), $request->given(), $request->isMetric());

        return $found['refused'] === null
            ? new JsonResponse(['facts' => (object) ($found['facts'] ?? []), 'working' => $found['working']])
            : new JsonResponse(['message' => $found['refused'], 'code' => 'refused_by_command'], 422);
    }
}
