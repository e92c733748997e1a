<?php

declare(strict_types=1);

namespace App\Http\Controllers\Reports;

use App\Actions\Reports\ReportProgress;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

final class ShowProgress
{
    public function __invoke(Request $request, ReportProgress $progress): JsonResponse
    {
        $request->validate(
            ['sha256' => ['required', 'regex:/^[0-9a-f]{64}$/D']],
            ['sha256.regex' => 'A file is named by the SHA-256 of its bytes, 64 hexadecimal digits.'],
        );

        return new JsonResponse($progress->of($request->string('sha256')->toString()));
    }
}
