<?php

declare(strict_types=1);

namespace App\Actions\Today;

use App\Database\Like;
use App\Models\Area;
use App\Models\Portion;
use App\Models\Sample;
use App\Models\SignedVerdict;
use App\Models\TestMethod;
use HonestCore\Analyte\Analytes;
use Illuminate\Database\Eloquent\Builder;

/** Finds areas, samples, tests, labs and verdicts by code or name. */
final class Find
{
    private const MOST_OF_EACH = 8;

    /** @return list<Found> */
    public function __invoke(string $words): array
    {
        $like = Like::pattern($words);
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

        return [
            ...array_map(
                static fn (Sample $it): Found => new Found('sample', $it->code, $it->area->name, "/samples/{$it->id}"),
                array_values($samples->all()),
            ),
            ...array_map(
                static fn (Area $it): Found => new Found('area', $it->name, $it->crop()->name, "/areas?area={$it->id}"),
                array_values($areas->all()),
            ),
            ...array_map(
                static fn (TestMethod $it): Found => new Found(
                    $it->workplace === 'lab' ? 'lab' : 'test',
                    $it->name,
                    Analytes::find($it->analyte)->name ?? $it->analyte,
                    $it->workplace === 'lab' ? '/reports' : "/evidence/{$it->id}",
                ),
                array_values($methods->all()),
            ),
            ...array_map(
                static fn (SignedVerdict $it): Found => new Found(
                    'verdict',
                    "{$it->claim}: {$it->verdict}",
                    $it->method->name,
                    "/decide/verdicts/{$it->id}",
                ),
                array_values($verdicts->all()),
            ),
        ];
    }
}
