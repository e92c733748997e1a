<?php

declare(strict_types=1);

namespace App\Http\Controllers\Practice;

use App\Actions\Practice\EnterGround;
use App\Http\Resources\Session\MeResource;
use App\Models\User;
use Illuminate\Http\Request;

/** Goes back to one’s own records. */
final class LeavePractice
{
    public function __invoke(Request $request, EnterGround $enter): MeResource
    {
        /** @var User $user */
        $user = $request->user();

        return new MeResource($enter->leave($request, $user)->shown());
    }
}
