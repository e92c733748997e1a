<?php

declare(strict_types=1);

namespace App\Http\Controllers\Prescribe;

use App\Http\Resources\Areas\SiteResource;
use App\Models\Site;
use HonestCore\Agronomy\Lime\LimeSchool;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

/** The schools that programs of a site begin with. */
final class ChooseProgramSchools
{
    public function __invoke(Request $request, Site $site): SiteResource
    {
        $site->update($request->validate([
            'nutrient_school' => ['required', Rule::in(['build', 'sufficiency'])],
            'lime_school' => [
                'present',
                'nullable',
                Rule::in(['', ...array_map(static fn (LimeSchool $one): string => $one->value, LimeSchool::cases())]),
            ],
        ]) + ['lime_school' => '']);

        return new SiteResource($site->drawn());
    }
}
