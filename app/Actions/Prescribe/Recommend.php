<?php

declare(strict_types=1);

namespace App\Actions\Prescribe;

use App\Actions\Evidence\GatherEvidence;
use App\Actions\Evidence\SamplingSplit;
use App\Models\Area;
use App\Models\Concerns\TakenScope;
use App\Models\JudgingPolicy;
use App\Models\Reading;
use App\Models\Sample;
use Carbon\CarbonInterface;
use HonestCore\Agronomy\Crop;
use HonestCore\Agronomy\Lime\LabPh;
use HonestCore\Agronomy\Lime\LimeAdvice;
use HonestCore\Agronomy\Lime\LimeGround;
use HonestCore\Agronomy\Lime\LimeMaterial;
use HonestCore\Agronomy\Lime\LimeSchool;
use HonestCore\Agronomy\Lime\PooledPh;
use HonestCore\Program\WantedCrop;
use HonestCore\Quantity\DepthLayer;
use HonestCore\Statistics\Spread;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Query\Builder;

/**
 * The recommendation of an area: from its newest composite with a pH. A lab result goes before a bench reading;
 * a bench reading made against its protocol does not count.
 */
final class Recommend
{
    /** Composites of an area that are looked at: the newest with a pH, of which those of the newest round decide. */
    public const NEWEST = 300;

    /** Composites pulled within so many days of the newest are of one round (the product's own). */
    public const ROUND_DAYS = 45;

    /** Lists look back so far from the newest with a pH. */
    private const LOOK_BACK_DAYS = 400;

    private ?JudgingPolicy $policy = null;

    /** @var array<int, float|null> expanded, by lab method */
    private array $uncertainty = [];

    public function __construct(
        private readonly GatherEvidence $evidence,
        private readonly WhatStands $stands,
        private readonly SamplingSplit $sampling,
        public readonly RoundPlans $plans,
    ) {}

    /**
     * @param bool $earlier with the earlier composites that may be asked about
     * @return array<int|string, string|\Closure> what is loaded with the areas that are to be advised on
     */
    public static function needs(bool $earlier = false): array
    {
        return [
            'site',
            'samples' => static fn (HasMany $samples) => $samples
                ->whereHas(
                    'readings',
                    static fn ($readings) => $readings->whereHas(
                        'method',
                        static fn ($method) => $method->where('analyte', 'ph'),
                    ),
                )
                ->unless($earlier, static fn ($some) => $some->where('pulled_on', '>=', self::firstOfNow(...)))
                ->orderByDesc('pulled_on')
                ->orderByDesc('number')
                ->limit(self::NEWEST),
            ...array_map(static fn (string $with): string => "samples.{$with}", WhatStands::READ_BY),
        ];
    }

    /** From when on composites of an area are looked at: a year and a month before the newest with a pH. */
    private static function firstOfNow(Builder $newest): void
    {
        $newest
            ->selectRaw("date(newest.pulled_on, '-".self::LOOK_BACK_DAYS." days')")
            ->from('samples', 'newest')
            ->whereColumn('newest.team_id', 'samples.team_id')
            ->whereColumn('newest.area_id', 'samples.area_id')
            ->whereExists(static fn (Builder $read): Builder => TakenScope::narrow(
                $read
                    ->from('readings', 'of')
                    ->join('methods', 'methods.id', '=', 'of.method_id')
                    ->whereColumn('of.team_id', 'newest.team_id')
                    ->whereColumn('of.sample_id', 'newest.id')
                    ->where('methods.analyte', 'ph'),
                'of.report_id',
            ))
            ->orderByDesc('newest.pulled_on')
            ->limit(1);
    }

    /**
     * @param Area $area with what needs() names
     * @param int|null $sampleId the composite that is asked about; null for the newest, or the part of the newest
     *                           round that needs most
     * @param WantedCrop|null $for what is to grow there; null for what the area is used for
     */
    public function __invoke(
        Area $area,
        LimeMaterial $material,
        float $depthInches,
        ?int $sampleId = null,
        ?WantedCrop $for = null,
    ): Recommendation {
        $isNarrowed = $area->relationLoaded('samples');
        $area->loadMissing(self::needs(earlier: true));
        $policy = $this->policy ??= $this->evidence->policy('ph');
        $crop = self::wants($area, $policy, $for);
        $samples = $this->standing($area);
        if ($isNarrowed && self::reachesBack($samples, $area)) {
            $area->unsetRelation('samples')->loadMissing(self::needs(earlier: true));
            $samples = $this->standing($area);
        }
        $advise = fn (?Sample $sample, ?PooledPh $pooled = null): Advised => $this->advise(
            $sample,
            $area,
            $policy,
            $crop,
            $material,
            $depthInches,
            $pooled,
        );
        [$round, $planned] = $this->round($samples);
        $parts = array_map(static fn (Sample $sample): Advised => $advise($sample), $round);
        $pooled = $sampleId === null && $parts === [] ? $this->pooled($samples, $policy, $area->use) : null;
        $chosen = match (true) {
            $pooled !== null => $advise($samples[0] ?? null, $pooled),
            $sampleId !== null => $advise(
                $area->samples->find($sampleId) ??
                    Sample::query()->where('area_id', $area->id)->with(WhatStands::READ_BY)->find($sampleId),
            ),
            $parts !== [] => self::neediest($parts),
            default => $advise($samples[0] ?? null),
        };
        $others = array_values(
            array_filter($samples, static fn (Sample $one): bool => $one->id !== $chosen->sample?->id),
        );

        return new Recommendation(
            $area,
            $crop,
            $chosen,
            $policy,
            $others,
            $parts,
            $planned,
            $this->disagreements($chosen, $others, $parts, $policy, $area->use),
        );
    }

    /** @return list<Sample> of the surface with a pH that stands, the newest first */
    private function standing(Area $area): array
    {
        return array_values(
            $area->samples
                ->sortByDesc(static fn (Sample $sample): array => [$sample->pulled_on->format('Y-m-d'), $sample->number])
                ->filter(
                    fn (Sample $sample): bool => DepthLayer::parse($sample->depth)->topCm === 0.0 &&
                        $this->stands->readings($sample, 'ph') !== [],
                )
                ->all(),
        );
    }

    /**
     * The newest with a pH may be of a deeper layer, or read against its protocol: then what stands, with its round and its year,
     * lies farther back than lists look.
     *
     * @param list<Sample> $standing
     */
    private static function reachesBack(array $standing, Area $area): bool
    {
        $newest = $area->samples->max('pulled_on');
        if (! $newest instanceof CarbonInterface) {
            return false;
        }
        $on = ($standing[0] ?? null)?->pulled_on;
        $wanted = $on === null ? null : min($on->copy()->startOfYear(), $on->copy()->subDays(self::ROUND_DAYS));

        return $wanted === null || $wanted < $newest->copy()->subDays(self::LOOK_BACK_DAYS);
    }

    /** The pH that is wanted: limits that the team has set for the use of ground go before those of the table. */
    private static function wants(Area $area, JudgingPolicy $policy, ?WantedCrop $for): Crop
    {
        $limits = $policy->limitsFor($for === null || $for->use === '' ? $area->use : $for->use)->values;
        [$low, $high] = [$limits[0], $limits[count($limits) - 1]];

        return $for === null ? $area->crop()->within($low, $high) : $for->pH($low, $high);
    }

    private function advise(
        ?Sample $sample,
        Area $area,
        JudgingPolicy $policy,
        Crop $crop,
        LimeMaterial $material,
        float $depthInches,
        ?PooledPh $pooled,
    ): Advised {
        if ($sample === null) {
            return new Advised(
                LimeAdvice::from(
                    null,
                    null,
                    $crop,
                    new LimeGround(DepthLayer::ofInches(0, 6), $depthInches),
                    $material,
                ),
                null,
                null,
                null,
                null,
                null,
                null,
                null,
            );
        }
        $labReading = $this->stands->readings($sample, 'ph', 'lab')[0] ?? null;
        [$kitReading, $verdict, $kit] = $this->stands->sorted($sample, $area, $policy);
        $rated = $labReading === null ? $this->stands->rated($sample, 'ph') : null;
        $lab = match (true) {
            $pooled !== null => LabPh::of(
                $pooled->mean,
                max($pooled->margin, $labReading === null ? 0.0 : $this->expanded($labReading) ?? 0.0),
                $this->pooledBuffers($area, array_keys($pooled->values)),
            ),
            $labReading !== null => LabPh::of(
                (float) $labReading->value,
                $this->expanded($labReading),
                $this->buffers($sample),
            ),
            $rated !== null => LabPh::of(
                (float) $rated[0]->value,
                $rated[1]->policy->terms->allowable,
                $this->buffers($sample),
                $rated[0]->method->name,
            ),
            default => null,
        };
        $ground = new LimeGround(
            DepthLayer::parse($sample->depth),
            $depthInches,
            $this->stands->readings($sample, 'om', 'lab')[0]->value ?? null,
            $area->knownFacts()->isPeaty(),
        );

        return new Advised(
            LimeAdvice::from($lab, $kit, $crop, $ground, $material),
            $sample,
            $lab,
            $labReading ?? ($rated[0] ?? null),
            $kit,
            $kitReading,
            $rated[1] ?? $verdict,
            $pooled,
        );
    }

    private function expanded(Reading $reading): ?float
    {
        return $this->uncertainty[$reading->method_id] ??= $this->sampling->expanded($reading->method);
    }

    /**
     * Composites of the newest round that call for different actions, taken together: the newest alone does not
     * overrule the others.
     *
     * @param list<Sample> $samples the newest first
     */
    private function pooled(array $samples, JudgingPolicy $policy, string $use): ?PooledPh
    {
        $newest = $samples[0] ?? null;
        if ($newest === null || $this->stands->readings($newest, 'ph', 'lab') === []) {
            return null;
        }
        $since = $newest->pulled_on->subDays(self::ROUND_DAYS);
        $round = array_filter(
            $samples,
            static fn (Sample $one): bool => $one->year === $newest->year &&
                $one->depth === $newest->depth &&
                $one->pulled_on >= $since,
        );
        [$values, $classes, $limits] = [[], [], $policy->limitsFor($use)];
        foreach ($round as $sample) {
            $reading = $this->stands->readings($sample, 'ph', 'lab')[0] ?? null;
            if ($reading !== null && ! $this->plans->isInParts($sample->plan_id)) {
                $values[$sample->code] = (float) $reading->value;
                $classes[$limits->classOf((float) $reading->value)] = true;
            }
        }

        return count($classes) > 1 ? PooledPh::of($values) : null;
    }

    /**
     * The mean of each school's buffer over the composites that have one.
     *
     * @param list<string> $codes
     * @return array<string, float>
     */
    private function pooledBuffers(Area $area, array $codes): array
    {
        $found = [];
        foreach ($area->samples->whereIn('code', $codes) as $sample) {
            foreach ($this->buffers($sample) as $school => $value) {
                $found[$school][] = $value;
            }
        }

        return array_map(Spread::mean(...), $found);
    }

    /**
     * The parts of the newest round, where its plan laid out more than one composite: cells or zones, each with an
     * answer of its own.
     * Duplicate composites are left out: they tell of the sampling.
     *
     * @param list<Sample> $samples the newest first
     * @return array{list<Sample>, int} those with a pH in the order of the plan, none where it has one composite;
     *                                  and how many were planned
     */
    private function round(array $samples): array
    {
        $newest = $samples[0] ?? null;
        $own = $newest === null ? 1 : $this->plans->own($newest->plan_id);
        if ($newest === null || $own < 2) {
            return [[], 1];
        }
        $parts = [];
        foreach ($samples as $sample) {
            if (
                $sample->plan_id === $newest->plan_id &&
                $sample->year === $newest->year &&
                $sample->composite <= $own
            ) {
                $parts[$sample->composite] ??= $sample;
            }
        }
        ksort($parts);

        return [array_values($parts), $own];
    }

    /** @param non-empty-list<Advised> $parts */
    private static function neediest(array $parts): Advised
    {
        $needs = ['amount', 'stop', 'direction', 'none', 'too_high', 'leave'];
        usort(
            $parts,
            static fn (Advised $a, Advised $b): int => array_search($a->advice->kind, $needs, true) <=>
                array_search($b->advice->kind, $needs, true),
        );

        return $parts[0];
    }

    /**
     * Composites of the same year that call for another action. Other parts of the same round have an answer of their
     * own and contradict nothing; the duplicate of this part does.
     *
     * @param list<Sample> $others
     * @param list<Advised> $parts
     * @return list<string>
     */
    private function disagreements(
        Advised $chosen,
        array $others,
        array $parts,
        JudgingPolicy $policy,
        string $use,
    ): array {
        [$sample, $lab] = [$chosen->sample, $chosen->lab];
        if ($sample === null || $lab === null) {
            return [];
        }
        if ($chosen->pooled !== null) {
            return [self::pooledWords($chosen->pooled, $sample->year, $policy, $use)];
        }
        $planId = ($parts[0] ?? null)?->sample?->plan_id;
        $twin = $sample->plan_id === $planId ? $this->twin($sample) : null;
        $contradicting = array_filter(
            $others,
            static fn (Sample $other): bool => $other->year === $sample->year &&
                ($other->plan_id !== $planId || $other->composite === $twin),
        );
        $words = $this->otherwise(array_values($contradicting), $lab->ph, $planId, $policy, $use);

        return $words === []
            ? []
            : [
                'Other composites of this area call for another action in the same year: '.
                implode(', ', $words).
                '.'.
                ($parts === [] ? ' One area with two answers may want splitting.' : ''),
            ];
    }

    /**
     * Those that call for another action than this pH does, in words.
     *
     * @param list<Sample> $others
     * @return list<string>
     */
    private function otherwise(array $others, float $ph, ?int $planId, JudgingPolicy $policy, string $use): array
    {
        $limits = $policy->limitsFor($use);
        $words = [];
        foreach ($others as $other) {
            $reading = $this->stands->readings($other, 'ph', 'lab')[0] ?? null;
            $class = $reading === null ? null : $limits->classOf((float) $reading->value);
            if ($class === null || $class === $limits->classOf($ph)) {
                continue;
            }
            $action = $policy->terms->actions[$class];
            $words[] =
                "{$other->code} ({$other->pulled_on->format('j M')}, pH {$reading->as_reported}, {$action}".
                ($other->plan_id === $planId ? ', a duplicate of this one)' : ')');
        }

        return $words;
    }

    private static function pooledWords(PooledPh $pooled, int $year, JudgingPolicy $policy, string $use): string
    {
        $limits = $policy->limitsFor($use);
        $each = [];
        foreach ($pooled->values as $code => $ph) {
            $each[] = "{$code} pH ".number_format($ph, 2).", {$policy->terms->actions[$limits->classOf($ph)]}";
        }

        return count($each).
            " composites of {$year} call for different actions: ".
            implode('; ', $each).
            '. They are pooled: mean '.
            number_format($pooled->mean, 2).
            ', standard deviation '.
            number_format($pooled->sd, 2).
            ', mean known to ± '.
            number_format($pooled->margin, 2).
            '. One area with two answers may want splitting: limed and unlimed ground do not belong into one mean.';
    }

    /** The number of the composite that was pulled a second time from the same part. */
    private function twin(Sample $sample): ?int
    {
        $twin = array_search($sample->composite, $this->plans->laidOut($sample->plan_id)?->layout->doubles() ?? [], true);

        return $twin === false ? null : $twin;
    }

    /** @return array<string, float> by the code of the school whose buffer it is */
    private function buffers(Sample $sample): array
    {
        $found = [];
        foreach ($this->stands->readings($sample, 'buffer_ph', 'lab') as $reading) {
            $school = LimeSchool::tryFrom(str_replace('-', '_', (string) $reading->method->school));
            if ($school !== null && $reading->value !== null) {
                $found[$school->value] ??= $reading->value;
            }
        }

        return $found;
    }
}
