<?php

declare(strict_types=1);

namespace App\Actions\Prescribe;

use App\Database\Values;
use App\Models\Area;
use App\Models\Plan;
use App\Models\Sample;
use HonestCore\Quantity\DepthLayer;
use Illuminate\Database\Eloquent\Collection;

/** The plans behind the composites of areas: how many each laid out, fetched for many areas at once. */
final class RoundPlans
{
    /** Composites that were laid out, their duplicates not counted. */
    private const OWN = "composites - COALESCE(json_extract(layout, '$.quality.duplicates'), 0) AS own";

    /** @var array<int, int> the composites of a plan, its duplicates among them */
    private array $composites = [];

    /** @var array<int, int> */
    private array $own = [];

    /** @var array<int, Plan> */
    private array $laidOut = [];

    /**
     * Fetches what will be asked of these areas.
     *
     * @param Collection<int, Area> $areas with their samples
     * @param bool $withGround whether the ground of their parts will be asked too
     */
    public function prepare(Collection $areas, bool $withGround = false): void
    {
        $newest = $all = [];
        foreach ($areas as $area) {
            array_push($all, ...Values::wholes($area->samples->pluck('plan_id')));
            $sample = $area->samples->first(static fn (Sample $one): bool => DepthLayer::parse($one->depth)->topCm === 0.0);
            if ($sample !== null) {
                $newest[] = $sample->plan_id;
            }
        }
        $this->learnComposites($all);
        $inParts = array_values(array_filter($newest, fn (int $plan): bool => $this->isInParts($plan)));
        $this->learnOwn($inParts);
        $this->learnLayouts(
            array_values(
                array_filter($inParts, fn (int $plan): bool => $withGround || ($this->own[$plan] ?? 0) < $this->composites[$plan]),
            ),
        );
    }

    /** Did the plan lay out more than one composite? */
    public function isInParts(int $plan): bool
    {
        $this->learnComposites([$plan]);

        return ($this->composites[$plan] ?? 1) > 1;
    }

    /** Composites that a plan laid out, its duplicates not counted. */
    public function own(int $plan): int
    {
        if (! $this->isInParts($plan)) {
            return 1;
        }
        $this->learnOwn([$plan]);

        return $this->own[$plan] ?? 1;
    }

    /** The plan with its layout; null where there is none. */
    public function laidOut(int $plan): ?Plan
    {
        $this->learnLayouts([$plan]);

        return $this->laidOut[$plan] ?? null;
    }

    /** @param list<int> $plans */
    private function learnComposites(array $plans): void
    {
        $new = self::missing($plans, $this->composites);
        if ($new !== []) {
            $this->composites += array_map(Values::whole(...), Plan::query()->whereKey($new)->pluck('composites', 'id')->all());
        }
    }

    /** @param list<int> $plans */
    private function learnOwn(array $plans): void
    {
        $new = self::missing($plans, $this->own);
        if ($new !== []) {
            $this->own += array_map(
                Values::whole(...),
                Plan::query()->whereKey($new)->toBase()->select('id')->selectRaw(self::OWN)->pluck('own', 'id')->all(),
            );
        }
    }

    /** @param list<int> $plans */
    private function learnLayouts(array $plans): void
    {
        $new = self::missing($plans, $this->laidOut);
        if ($new !== []) {
            $this->laidOut += Plan::query()
                ->whereKey($new)
                ->get(['id', 'spec', 'boundary', 'layout'])
                ->keyBy('id')
                ->all();
        }
    }

    /**
     * @param list<int> $plans
     * @param array<int, mixed> $known
     * @return list<int>
     */
    private static function missing(array $plans, array $known): array
    {
        return array_values(array_filter(array_unique($plans), static fn (int $plan): bool => ! isset($known[$plan])));
    }
}
