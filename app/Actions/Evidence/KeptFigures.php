<?php

declare(strict_types=1);

namespace App\Actions\Evidence;

use App\Database\Patience;
use App\Models\KeptSampling;
use App\Models\TestMethod;
use HonestCore\Variance\SamplingFigures;
use Illuminate\Support\Carbon;

/** What duplicates of labs said, from what was kept as long as nothing was touched that it rests on. */
final class KeptFigures
{
    /** @var array<int, SamplingFigures>|null by method */
    private ?array $kept = null;

    private ?Stirred $stirred = null;

    /** @param \Closure(): SamplingFigures $anew */
    public function of(TestMethod $lab, \Closure $anew): SamplingFigures
    {
        $isReached = ($this->stirred ??= Stirred::of($lab->team_id))->reachesLab($lab->id);

        // What is found here is not kept: while it was looked for, something may have been touched. ComputeAhead alone keeps.
        return $isReached ? $anew() : ($this->kept ??= self::all())[$lab->id] ?? $anew();
    }

    /** @return array<int, SamplingFigures> */
    private static function all(): array
    {
        $kept = [];
        foreach (KeptSampling::query()->get() as $one) {
            $kept[$one->method_id] = $one->figures;
        }

        return $kept;
    }

    /** @return bool whether it could be kept */
    public static function keep(TestMethod $lab, SamplingFigures $figures): bool
    {
        return Patience::short(static fn (): int => KeptSampling::query()->upsert(
            [[
                'team_id' => $lab->team_id,
                'method_id' => $lab->id,
                'figures' => json_encode($figures->toRow(), JSON_THROW_ON_ERROR),
                'created_at' => Carbon::now(),
                'updated_at' => Carbon::now(),
            ]],
            ['method_id'],
            ['figures', 'updated_at'],
        ));
    }
}
