<?php

declare(strict_types=1);

namespace App\Http\Controllers\Readings;

use App\Http\Resources\Readings\MethodResource;
use App\Models\TestMethod;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;

final class ListMethods
{
    public function __invoke(): AnonymousResourceCollection
    {
        return MethodResource::collection(TestMethod::inOrder());
    }
}
