<?php

declare(strict_types=1);

namespace App\Http\Controllers\Plans;

use App\Actions\Plans\Schools;
use App\Http\Resources\Areas\SiteResource;
use App\Models\Site;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

final class ChooseSchool
{
    public function __invoke(Request $request, Site $site, Schools $schools): SiteResource
    {
        $request->validate(['school' => ['present', 'nullable', 'string', Rule::in(array_keys($schools->all()))]]);
        $site->update(['school' => $request->input('school')]);

        return new SiteResource($site);
    }
}
