<?php

declare(strict_types=1);

namespace App\Http\Controllers\Samples;

use App\Actions\Samples\KeepPhoto;
use App\Http\Requests\Areas\PictureRequest;
use App\Models\Sample;
use App\Models\User;
use Illuminate\Http\JsonResponse;

final class AddPhoto
{
    public function __invoke(PictureRequest $request, Sample $sample, KeepPhoto $keep): JsonResponse
    {
        /** @var User $author */
        $author = $request->user();

        return new JsonResponse(['id' => $keep($sample, $request->picture(), $author)->id], 201);
    }
}
