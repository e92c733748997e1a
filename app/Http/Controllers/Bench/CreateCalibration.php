<?php

declare(strict_types=1);

namespace App\Http\Controllers\Bench;

use App\Actions\Bench\Calibrate;
use App\Http\Requests\Bench\CalibrationRequest;
use App\Http\Resources\Bench\CalibrationResource;
use App\Models\User;
use Illuminate\Http\JsonResponse;

final class CreateCalibration
{
    public function __invoke(CalibrationRequest $request, Calibrate $calibrate): JsonResponse
    {
        /** @var User $author */
        $author = $request->user();
        $kept = $calibrate->keep(
            $author,
            $request->string('instrument')->trim()->toString(),
            $request->points(),
            $request->float('celsius'),
            $request->boolean('in_millivolts'),
        );

        return (new CalibrationResource($kept))->response()->setStatusCode(201);
    }
}
