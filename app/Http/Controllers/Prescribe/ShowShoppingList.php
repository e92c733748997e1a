<?php

declare(strict_types=1);

namespace App\Http\Controllers\Prescribe;

use App\Actions\Prescribe\ProgramsOfSite;
use App\Models\Site;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** What all areas of a site need together; with ?drafts=1 as it would be by what is chosen now. */
final class ShowShoppingList
{
    public function __invoke(Request $request, Site $site, ProgramsOfSite $programs): JsonResponse
    {
        return new JsonResponse($request->boolean('drafts') ? $programs->wouldBuy($site) : $programs->shopping($site));
    }
}
