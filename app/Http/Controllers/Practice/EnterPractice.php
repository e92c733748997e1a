<?php

declare(strict_types=1);

namespace App\Http\Controllers\Practice;

use App\Actions\Practice\EnterGround;
use App\Http\Resources\Session\MeResource;
use App\Models\PracticeField;
use App\Models\User;
use Illuminate\Http\Request;

/** Goes onto one of one’s own practice grounds. */
final class EnterPractice
{
    public function __invoke(Request $request, int $ground, EnterGround $enter): MeResource
    {
        /** @var User $user */
        $user = $request->user();

        return new MeResource($enter->enter($request, $user, PracticeField::ofPersonNamed($user, $ground))->shown());
    }
}
