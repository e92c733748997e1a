<?php

declare(strict_types=1);

namespace App\Actions\Bench;

use App\Database\AllOrNothing;
use App\Exceptions\Conflict;
use App\Exceptions\Refused;
use App\Models\MethodVersion;
use App\Models\PenCalibration;
use App\Models\Portion;
use App\Models\ReagentLot;
use App\Models\Run;
use App\Models\Site;
use App\Models\TestMethod;
use App\Models\User;
use HonestCore\Bench\MethodDefinition;
use HonestCore\Bench\MethodStep;
use HonestCore\Jar\JarSteps;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Sets up a run: portions times replicates as tubes in a mixed order, so that replicates do not stand side by side.
 *
 * @phpstan-type Setup array{submission: string, portion_ids: list<int>, replicates: int,
 *     readers: non-empty-list<string>, said: array<string, string>, celsius: float|null, depth_cm: float|null,
 *     lot_ids: list<int>, expired_anyway: bool, calibration_id: int|null, now_ms: int, note: string}
 */
final class StartRun
{
    public const MOST_TUBES = 48;

    /** A clock further off than this is set right first. */
    public const CLOCK_OFF_MS = 600_000;

    /** @param Setup $setup */
    public function __invoke(Site $site, TestMethod $method, User $author, array $setup): Run
    {
        return AllOrNothing::of(function () use ($site, $method, $author, $setup): Run {
            $known = Run::query()->where('submission', $setup['submission'])->first();
            if ($known !== null) {
                return $known;
            }
            self::checkClock($setup['now_ms']);
            $version =
                MethodVersion::query()->where('method_id', $method->id)->orderByDesc('version')->first() ??
                throw Conflict::because('no_steps_at_bench', method: $method->name);
            $definition = $version->parsed();
            $portions = $this->portions($site, $setup['portion_ids']);
            if (count($portions) * $setup['replicates'] > self::MOST_TUBES) {
                throw Refused::because(
                    'too_many_tubes',
                    tubes: count($portions) * $setup['replicates'],
                    most: self::MOST_TUBES,
                );
            }
            $definition->breaksOf($setup['said'], $setup['celsius']);
            $run = Run::query()->create([
                'site_id' => $site->id,
                'method_id' => $method->id,
                'method_version_id' => $version->id,
                'calibration_id' => $this->calibration($setup['calibration_id']),
                'created_by' => $author->id,
                'submission' => $setup['submission'],
                'readers' => $setup['readers'],
                'said' => $setup['said'],
                'celsius' => $setup['celsius'],
                'depth_cm' => $setup['depth_cm'],
                'lots' => $this->lots($method, $setup['lot_ids'], $site, $setup['expired_anyway']),
                'steps' => array_map(
                    static fn (MethodStep $step): array => $step->toArray(),
                    $this->steps($definition, $setup),
                ),
                'started_ms' => $setup['now_ms'],
                'note' => $setup['note'],
            ]);
            $this->fill($run, $portions, $setup['replicates']);

            return $run;
        });
    }

    public static function checkClock(int $nowMs): void
    {
        $off = abs($nowMs - (int) now()->getPreciseTimestamp(3));
        if ($off > self::CLOCK_OFF_MS) {
            throw Refused::because(
                'clock_off',
                minutes: (int) round($off / 60_000),
                most: intdiv(self::CLOCK_OFF_MS, 60_000),
            );
        }
    }

    /**
     * @param Setup $setup
     * @return non-empty-list<MethodStep>
     */
    private function steps(MethodDefinition $definition, array $setup): array
    {
        $falls = array_filter(
            $definition->steps,
            static fn (MethodStep $step): bool => $step->stokesMicrometres !== null,
        );
        if ($falls === []) {
            return $definition->steps;
        }
        if ($setup['depth_cm'] === null || $setup['celsius'] === null) {
            throw Refused::because('jar_without_depth_or_temperature');
        }

        return JarSteps::timed($definition->steps, $setup['depth_cm'], $setup['celsius']);
    }

    /**
     * @param list<int> $ids
     * @return non-empty-list<Portion>
     */
    private function portions(Site $site, array $ids): array
    {
        $found = Portion::query()->whereIn('id', $ids)->where('site_id', $site->id)->with('sample')->get()->keyBy('id');
        $portions = [];
        foreach ($ids as $id) {
            $portion = $found->get($id) ?? throw Refused::because('portion_of_another_site', portion: $id);
            if (! in_array($portion->kind, ['bench', 'archive'], true) || $portion->sample === null) {
                throw Refused::because('not_for_the_bench', portion: $portion->code);
            }
            $portions[] = $portion;
        }

        return $portions === []
            ? throw Refused::because('no_portion_chosen')
            : $portions;
    }

    /**
     * @param list<int> $ids
     * @return list<array{reagent: string, lot: string, expires_on: string|null, expired: bool}>
     */
    private function lots(TestMethod $method, array $ids, Site $site, bool $anyway): array
    {
        $today = now($site->timezone)->format('Y-m-d');
        $lots = [];
        foreach (
            ReagentLot::query()->whereIn('id', $ids)->where('method_id', $method->id)->orderBy('id')->get() as $lot
        ) {
            if (isset($lots[$lot->reagent])) {
                throw Refused::because('two_lots', reagent: $lot->reagent);
            }
            $ends = $lot->expires_on?->format('Y-m-d');
            $expired = $ends !== null && $ends < $today;
            if ($expired && ! $anyway) {
                throw Refused::because('lot_expired', lot: $lot->lot, reagent: $lot->reagent, day: $ends);
            }
            $lots[$lot->reagent] = [
                'reagent' => $lot->reagent,
                'lot' => $lot->lot,
                'expires_on' => $ends,
                'expired' => $expired,
            ];
        }
        if (count($lots) < count(array_unique($ids))) {
            throw Refused::because('lot_of_another_method');
        }

        return array_values($lots);
    }

    private function calibration(?int $id): ?int
    {
        return $id === null
            ? null
            : (PenCalibration::query()->find($id) ?? throw Refused::because('no_such_calibration'))->id;
    }

    /** @param non-empty-list<Portion> $portions */
    private function fill(Run $run, array $portions, int $replicates): void
    {
        $tubes = [];
        foreach ($portions as $portion) {
            for ($replicate = 1; $replicate <= $replicates; $replicate++) {
                $tubes[] = ['portion_id' => $portion->id, 'replicate' => $replicate];
            }
        }
        if ($replicates > 1) {
            $tubes = (new Randomizer(new Mt19937($run->id)))->shuffleArray($tubes);
        }
        foreach (array_values($tubes) as $i => $tube) {
            $run->tubes()->create([...$tube, 'number' => $i + 1]);
        }
    }
}
