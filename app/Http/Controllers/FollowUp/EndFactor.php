<?php

declare(strict_types=1);

namespace App\Http\Controllers\FollowUp;

use App\Actions\FollowUp\TriedSchools;
use App\Http\Resources\FollowUp\LocalFactorResource;
use App\Models\LocalFactorInUse;
use App\Models\User;
use Illuminate\Http\Request;

final class EndFactor
{
    public function __invoke(Request $request, LocalFactorInUse $factor, TriedSchools $tried): LocalFactorResource
    {
        /** @var User $by */
        $by = $request->user();

        return new LocalFactorResource($tried->end($factor, $by));
    }
}
