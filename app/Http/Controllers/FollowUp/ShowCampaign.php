<?php

declare(strict_types=1);

namespace App\Http\Controllers\FollowUp;

use App\Actions\FollowUp\Campaign;
use App\Actions\FollowUp\RetestDate;
use App\Actions\FollowUp\RetestDates;
use App\Http\Resources\FollowUp\RetestResource;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** A season's retests over all sites, by week. */
final class ShowCampaign
{
    public const FROM = [
        'from' => ['sometimes', 'nullable', 'bail', 'string', 'date_format:Y-m-d', 'after:2000-01-01', 'before:2200-01-01'],
    ];

    public function __invoke(Request $request, Campaign $campaign, RetestDates $dates): JsonResponse
    {
        $request->validate(self::FROM, ['from.date_format' => 'This is no day; accepted is one such as 2026-11-29.']);
        /** @var User $user */
        $user = $request->user();
        $from = $request->string('from')->toString();
        $weeks = $campaign->of($user->team_id, $from === '' ? now()->format('Y-m-d') : $from);

        $shown = array_map(static fn (RetestDate $one): int => $one->areaId, array_merge(...array_values($weeks)));
        $labs = $dates->labs($user->team_id, $shown);

        return new JsonResponse([
            'from' => array_key_first($weeks),
            'weeks' => array_map(
                static fn (string $monday, array $areas): array => [
                    'monday' => $monday,
                    'areas' => array_map(static fn (RetestDate $one): array => RetestResource::row($one, $labs), $areas),
                ],
                array_keys($weeks),
                array_values($weeks),
            ),
        ]);
    }
}
