<?php

declare(strict_types=1);

namespace App\Http\Controllers\Areas;

use App\Actions\People\NoteEvent;
use App\Database\AllOrNothing;
use App\Http\Requests\Areas\SiteRequest;
use App\Http\Resources\Areas\SiteResource;
use App\Models\Site;
use App\Models\User;

/** Changes what is written on papers of a site, its clock and its units; what is stored is in metres and stays. */
final class ChangeSite
{
    public function __invoke(SiteRequest $request, Site $site, NoteEvent $note): SiteResource
    {
        /** @var User $user */
        $user = $request->user();
        AllOrNothing::of(static function () use ($request, $site): void {
            $site->standsAt($request->input('state'));
            $site->update($request->fields());
        });
        $note($user, 'site', $site->name);

        return new SiteResource($site);
    }
}
