<?php

declare(strict_types=1);

namespace App\Http\Controllers\Session;

use App\Http\Resources\Areas\SiteResource;
use App\Http\Resources\Session\MeResource;
use App\Models\Site;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** All that a first page waits for: who is signed in, the sites, and the one that was chosen last, or the first there is. */
final class ShowStart
{
    public function __invoke(Request $request): JsonResponse
    {
        $request->validate(['site' => ['sometimes', 'integer']]);
        $sites = Site::byName();
        $chosen = $sites->find($request->integer('site')) ?? $sites->first();

        return new JsonResponse([
            'me' => new MeResource(User::signedIn()?->shown()),
            'sites' => SiteResource::collection($sites),
            'site' => $chosen === null ? null : new SiteResource((clone $chosen)->drawn()),
        ]);
    }
}
