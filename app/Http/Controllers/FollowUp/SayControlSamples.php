<?php

declare(strict_types=1);

namespace App\Http\Controllers\FollowUp;

use App\Actions\FollowUp\LeaveControl;
use App\Http\Resources\FollowUp\SeriesResource;
use App\Models\Control;
use App\Models\User;
use HonestCore\Table\Fields;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Which composites of the area were pulled from a strip that is only named. */
final class SayControlSamples
{
    public function __invoke(Request $request, Control $control, LeaveControl $leave): JsonResponse
    {
        $request->validate(['samples' => ['required', 'array', 'list', 'max:100'], 'samples.*' => ['integer']]);
        /** @var User $author */
        $author = $request->user();
        $said = $leave->samples($control, $author, ...(new Fields($request->all()))->wholes('samples'));

        return new JsonResponse(SeriesResource::control($said));
    }
}
