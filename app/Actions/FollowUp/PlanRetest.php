<?php

declare(strict_types=1);

namespace App\Actions\FollowUp;

use App\Actions\Plans\SavePlan;
use App\Database\AllOrNothing;
use App\Exceptions\Conflict;
use App\Models\Area;
use App\Models\Plan;
use App\Models\User;
use HonestCore\FollowUp\RetestDesign;
use HonestCore\Quantity\Extent;
use HonestCore\Sampling\Layout;
use HonestCore\Sampling\PlanSpec;

/** Takes over what a retest must look like to see the change: a plan of the area, and one of its control. */
final class PlanRetest
{
    /** Equal cells seldom come out at the count asked for: each try takes smaller ones. */
    private const SMALLER = 0.93;

    private const TRIES = 25;

    public function __construct(private readonly SavePlan $save) {}

    /** @return list<Plan> */
    public function of(AnsweredLine $line, User $author): array
    {
        $design = $line->answer->design ?? throw Conflict::because('no_design');

        return AllOrNothing::of(function () use ($line, $design, $author): array {
            $areas = array_values(array_filter([$line->area, $line->control?->ground]));

            return array_map(
                fn (Area $area): Plan => $this->plan($area->refresh(), $design, $author, count($areas), $line->area),
                $areas,
            );
        });
    }

    private function plan(Area $area, RetestDesign $design, User $author, int $plans, Area $of): Plan
    {
        $last = Plan::query()->where('area_id', $area->id)->orderByDesc('id')->first(['id', 'spec']) ??
            Plan::query()->where('area_id', $of->id)->orderByDesc('id')->first(['id', 'spec']) ??
            throw Conflict::because('no_plan_before');
        $row = [
            'cores' => $design->cores,
            'zones' => null,
            'cell_acres' => null,
            'start' => null,
            'quality' => ['duplicates' => min($design->composites, (int) ceil($design->duplicates / $plans)), 'hidden' => 0],
            'kept_reason' => 'Retest: as many composites as it takes to see the change.',
        ] + $last->spec->toRow();
        if ($last->spec->parts()) {
            return $this->save->new($area, $author, PlanSpec::fromRow(
                array_intersect_key($last->spec->toRow(), ['zones' => 0, 'cell_acres' => 0, 'start' => 0]) + $row,
            ));
        }

        return $this->save->new($area, $author, self::inCells($area, $design->composites, $row));
    }

    /**
     * In as many cells as the count asked for at least.
     *
     * @param array<string, mixed> $row
     */
    private static function inCells(Area $area, int $composites, array $row): PlanSpec
    {
        $cell = Extent::ofSquareMetres($area->area_m2)->acres() / $composites;
        for ($try = 0; $composites > 1 && $try < self::TRIES; $try++) {
            $spec = PlanSpec::fromRow(['cell_acres' => $cell] + $row);
            $layout = Layout::of($area->boundary, $spec);
            if (count($layout->composites) - count($layout->doubles()) >= $composites) {
                return $spec;
            }
            $cell *= self::SMALLER;
        }

        return PlanSpec::fromRow($row);
    }
}
