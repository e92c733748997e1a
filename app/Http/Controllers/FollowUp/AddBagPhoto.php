<?php

declare(strict_types=1);

namespace App\Http\Controllers\FollowUp;

use App\Actions\FollowUp\KeepBagPhoto;
use App\Http\Requests\Areas\PictureRequest;
use App\Models\GroundEvent;
use App\Models\User;
use Illuminate\Http\JsonResponse;

final class AddBagPhoto
{
    public function __invoke(PictureRequest $request, GroundEvent $event, KeepBagPhoto $keep): JsonResponse
    {
        /** @var User $author */
        $author = $request->user();

        return new JsonResponse(['id' => $keep($event, $request->picture(), $author)->id], 201);
    }
}
