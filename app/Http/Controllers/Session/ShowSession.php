<?php

declare(strict_types=1);

namespace App\Http\Controllers\Session;

use App\Http\Resources\Session\MeResource;
use App\Models\User;
use Illuminate\Http\Request;

final class ShowSession
{
    public function __invoke(Request $request): MeResource
    {
        return new MeResource(User::signedIn()?->shown());
    }
}
