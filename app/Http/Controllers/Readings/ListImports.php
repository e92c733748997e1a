<?php

declare(strict_types=1);

namespace App\Http\Controllers\Readings;

use App\Models\LabImport;
use Illuminate\Http\JsonResponse;

final class ListImports
{
    public function __invoke(): JsonResponse
    {
        return new JsonResponse(LabImport::query()->withCount('readings')->orderByDesc('id')->get()->map(ImportReport::shape(...)));
    }
}
