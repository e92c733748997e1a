<?php

declare(strict_types=1);

namespace App\Http\Controllers\Labs;

use App\Database\AllOrNothing;
use App\Http\Requests\Labs\LabRequest;
use App\Http\Resources\Labs\LabResource;
use App\Models\Lab;

final class ChangeLab
{
    public function __invoke(LabRequest $request, Lab $lab): LabResource
    {
        AllOrNothing::of(static function () use ($request, $lab): void {
            $lab->standsAt($request->input('state'));
            $lab->update($request->fields());
        });

        return new LabResource($lab);
    }
}
