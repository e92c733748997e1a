<?php

declare(strict_types=1);

namespace App\Http\Controllers\Custody;

use App\Models\CheckSoil;
use Illuminate\Http\JsonResponse;

final class ListCheckSoils
{
    public function __invoke(): JsonResponse
    {
        return new JsonResponse(CheckSoil::query()->orderBy('name')->get()->map(self::shape(...)));
    }

    /** @return array<string, mixed> */
    public static function shape(CheckSoil $soil): array
    {
        return ['id' => $soil->id, 'name' => $soil->name, 'known' => (object) $soil->known, 'note' => $soil->note];
    }
}
