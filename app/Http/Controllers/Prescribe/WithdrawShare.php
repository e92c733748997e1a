<?php

declare(strict_types=1);

namespace App\Http\Controllers\Prescribe;

use App\Actions\Prescribe\ShareProgram;
use App\Http\Resources\Prescribe\ShareResource;
use App\Models\ProgramShare;
use Illuminate\Http\JsonResponse;

final class WithdrawShare
{
    public function __invoke(ProgramShare $share, ShareProgram $shares): JsonResponse
    {
        return (new ShareResource($shares->withdraw($share)))->response()->setStatusCode(200);
    }
}
