<?php

declare(strict_types=1);

namespace App\Http\Controllers\Decide;

use App\Actions\Verdicts\VerdictStatus;
use App\Http\Resources\Decide\VerdictResource;
use App\Models\SignedVerdict;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Every verdict ever signed, newest first, as a file. */
final class DownloadVerdicts
{
    public function __invoke(Request $request, VerdictStatus $status): JsonResponse
    {
        return VerdictResource::collection($status->all(SignedVerdict::register()->get()))
            ->toResponse($request)
            ->withHeaders(['Content-Disposition' => 'attachment; filename=verdicts.json']);
    }
}
