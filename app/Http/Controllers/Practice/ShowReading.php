<?php

declare(strict_types=1);

namespace App\Http\Controllers\Practice;

use App\Actions\Practice\LookAtTest;
use App\Http\Requests\Practice\ShownRequest;
use Illuminate\Http\JsonResponse;

/** What a test of the bench shows of a composite, to be read and written down as in earnest. */
final class ShowReading
{
    public function __invoke(ShownRequest $request, LookAtTest $look): JsonResponse
    {
        return new JsonResponse(['words' => $look(
            $request->sample(),
            $request->testMethod(),
            $request->string('reader')->toString(),
            $request->run(),
            $request->tube(),
            $request->flags(),
        )]);
    }
}
