<?php

declare(strict_types=1);

namespace App\Http\Controllers\FollowUp;

use App\Actions\FollowUp\RetestDate;
use App\Actions\FollowUp\RetestDates;
use App\Http\Resources\FollowUp\RetestResource;
use App\Models\Site;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** When each area of a site is due, a page at a time, the soonest first. */
final class ListRetests
{
    private const PAGE = 50;

    public function __invoke(Request $request, RetestDates $dates): JsonResponse
    {
        $request->validate(['page' => ['sometimes', 'integer', 'between:1,100000']]);
        $site = Site::named($request->integer('site_id'));
        $all = $dates($site);
        $page = $request->integer('page', 1);
        $shown = array_slice($all, ($page - 1) * self::PAGE, self::PAGE);
        $labs = $dates->labs($site->team_id, array_map(static fn (RetestDate $one): int => $one->areaId, $shown));
        $waiting = array_values(array_filter($all, static fn (RetestDate $one): bool => $one->state() === 'waiting'));

        return new JsonResponse([
            'total' => count($all),
            'page' => $page,
            'pages' => max(1, (int) ceil(count($all) / self::PAGE)),
            'overdue' => count(array_filter($all, static fn (RetestDate $one): bool => $one->state() === 'overdue')),
            'next' => $waiting === [] ? null : RetestResource::row($waiting[0]),
            'rows' => array_map(static fn (RetestDate $one): array => RetestResource::row($one, $labs), $shown),
        ]);
    }
}
