<?php

declare(strict_types=1);

namespace App\Http\Controllers\Today;

use App\Models\Area;
use App\Models\Portion;
use App\Models\Sample;
use App\Models\SignedVerdict;
use App\Models\TestMethod;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Finds areas, samples, tests, labs and verdicts by code or name. */
final class Search
{
    private const MOST_OF_EACH = 8;

    public function __invoke(Request $request): JsonResponse
    {
        $words = trim($request->string('q')->toString());
        if (mb_strlen($words) < 2) {
            return new JsonResponse([]);
        }
        $like = '%'.addcslashes($words, '%_\\').'%';
        $samples = Sample::query()
            ->with('area:id,name')
            ->where(
                static fn (Builder $query) => $query->whereRaw("code LIKE ? ESCAPE '\\'", [$like])->orWhereIn(
                    'id',
                    Portion::query()
                        ->whereRaw("code LIKE ? ESCAPE '\\'", [$like])
                        ->select('sample_id'),
                ),
            )
            ->orderByDesc('id')
            ->limit(self::MOST_OF_EACH)
            ->get();
        $areas = Area::query()
            ->whereRaw("name LIKE ? ESCAPE '\\'", [$like])
            ->orderBy('name')
            ->limit(self::MOST_OF_EACH)
            ->get();
        $methods = TestMethod::query()
            ->whereRaw("name LIKE ? ESCAPE '\\'", [$like])
            ->orderBy('id')
            ->limit(self::MOST_OF_EACH)
            ->get();
        $verdicts = SignedVerdict::query()
            ->with('method:id,name')
            ->whereIn('method_id', $methods->pluck('id'))
            ->orderByDesc('id')
            ->limit(self::MOST_OF_EACH)
            ->get();

        return new JsonResponse([
            ...$samples->map(
                static fn (Sample $sample): array => [
                    'kind' => 'sample',
                    'label' => $sample->code,
                    'detail' => $sample->area->name,
                    'to' => "/samples/{$sample->id}",
                ],
            ),
            ...$areas->map(
                static fn (Area $area): array => [
                    'kind' => 'area',
                    'label' => $area->name,
                    'detail' => $area->crop()->name,
                    'to' => "/areas?area={$area->id}",
                ],
            ),
            ...$methods->map(
                static fn (TestMethod $method): array => [
                    'kind' => $method->workplace === 'lab' ? 'lab' : 'test',
                    'label' => $method->name,
                    'detail' => $method->analyte === 'ph' ? 'pH' : 'buffer pH',
                    'to' => $method->workplace === 'lab' ? '/reports' : "/evidence/{$method->id}",
                ],
            ),
            ...$verdicts->map(
                static fn (SignedVerdict $verdict): array => [
                    'kind' => 'verdict',
                    'label' => "{$verdict->claim}: {$verdict->verdict}",
                    'detail' => $verdict->method->name,
                    'to' => "/decide/verdicts/{$verdict->id}",
                ],
            ),
        ]);
    }
}
