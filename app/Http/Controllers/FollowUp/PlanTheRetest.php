<?php

declare(strict_types=1);

namespace App\Http\Controllers\FollowUp;

use App\Actions\FollowUp\AnswersOfPrograms;
use App\Actions\FollowUp\PlanRetest;
use App\Models\Area;
use App\Models\Plan;
use App\Models\SignedProgram;
use App\Models\User;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Takes the retest over that would see the change: plans of the area and of its control. */
final class PlanTheRetest
{
    public function __invoke(Request $request, SignedProgram $program, AnswersOfPrograms $answers, PlanRetest $plan): JsonResponse
    {
        $request->validate(['key' => ['required', 'string', 'max:20']]);
        /** @var User $author */
        $author = $request->user();
        foreach ($answers->of(new Collection([Area::named($program->area_id)])) as $line) {
            if ($line->program->id === $program->id && $line->key === $request->string('key')->toString()) {
                return new JsonResponse([
                    'plans' => array_map(
                        static fn (Plan $made): array => [
                            'id' => $made->id,
                            'area_id' => $made->area_id,
                            'composites' => $made->composites,
                            'cores' => $made->spec->cores,
                        ],
                        $plan->of($line, $author),
                    ),
                ], 201);
            }
        }
        abort(404);
    }
}
