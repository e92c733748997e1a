<?php

declare(strict_types=1);

namespace App\Http\Controllers\FollowUp;

use App\Actions\FollowUp\LeaveControl;
use App\Http\Requests\FollowUp\ControlRequest;
use App\Http\Resources\FollowUp\SeriesResource;
use App\Models\Area;
use App\Models\User;
use Illuminate\Http\JsonResponse;

final class LeaveUntreated
{
    public function __invoke(ControlRequest $request, Area $area, LeaveControl $leave): JsonResponse
    {
        /** @var User $author */
        $author = $request->user();
        $control = $leave->of(
            $area,
            $author,
            $request->string('name')->trim()->toString(),
            $request->string('since')->toString(),
            $request->boundary(),
            $request->input('ground_id') === null ? null : $request->integer('ground_id'),
            $request->string('note')->toString(),
        );

        return new JsonResponse(SeriesResource::control($control), 201);
    }
}
