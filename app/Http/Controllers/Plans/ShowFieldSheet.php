<?php

declare(strict_types=1);

namespace App\Http\Controllers\Plans;

use App\Models\Plan;
use HonestCore\Sampling\FieldSheet;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** What a plan's field sheet says beside its map, by the tests wanted (parted by commas). */
final class ShowFieldSheet
{
    public function __invoke(Request $request, Plan $plan): JsonResponse
    {
        $tests = array_values(
            array_filter(
                explode(',', $request->string('tests')->toString()),
                static fn (string $test): bool => $test !== '',
            ),
        );
        $sheet = FieldSheet::for($tests, count($plan->spec->layers), $plan->spec->pattern);

        return new JsonResponse(['tools' => $sheet->tools, 'steps' => $sheet->steps, 'cautions' => $sheet->cautions]);
    }
}
