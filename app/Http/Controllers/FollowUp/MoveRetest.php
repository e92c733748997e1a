<?php

declare(strict_types=1);

namespace App\Http\Controllers\FollowUp;

use App\Actions\FollowUp\Campaign;
use App\Models\Area;
use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** Moves the next round of an area to another week, or back to the one proposed. */
final class MoveRetest
{
    public function __invoke(Request $request, Area $area, Campaign $campaign): Response
    {
        $request->validate(
            ['week' => ['present', 'nullable', 'bail', 'string', 'date_format:Y-m-d', 'after:2000-01-01', 'before:2200-01-01']],
            ['week.date_format' => 'This is no day; accepted is one such as 2026-11-30.'],
        );
        /** @var User $author */
        $author = $request->user();
        $campaign->move($area, $author, $request->input('week') === null ? null : $request->string('week')->toString());

        return response()->noContent();
    }
}
