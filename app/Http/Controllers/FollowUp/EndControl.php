<?php

declare(strict_types=1);

namespace App\Http\Controllers\FollowUp;

use App\Actions\FollowUp\LeaveControl;
use App\Http\Resources\FollowUp\SeriesResource;
use App\Models\Control;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

final class EndControl
{
    public function __invoke(Request $request, Control $control, LeaveControl $leave): JsonResponse
    {
        $request->validate(
            ['on' => ['required', 'bail', 'string', 'date_format:Y-m-d', 'before_or_equal:+1 day']],
            ['on.before_or_equal' => 'The date lies in the future.'],
        );

        return new JsonResponse(
            SeriesResource::control($leave->end($control, $request->string('on')->toString())),
        );
    }
}
