<?php

declare(strict_types=1);

namespace App\Actions\Prescribe;

use App\Actions\Decide\VerdictStatus;
use App\Actions\Evidence\GatherEvidence;
use App\Actions\Evidence\SamplingSplit;
use App\Actions\Reports\AskQuestions;
use App\Models\Area;
use App\Models\JudgingPolicy;
use App\Models\Plan;
use App\Models\Reading;
use App\Models\Sample;
use App\Models\Verdict;
use HonestCore\Agreement\Band;
use HonestCore\Agreement\Verdict as Word;
use HonestCore\Agronomy\Crop;
use HonestCore\Agronomy\Lime\KitDirection;
use HonestCore\Agronomy\Lime\LabPh;
use HonestCore\Agronomy\Lime\LimeAdvice;
use HonestCore\Agronomy\Lime\LimeMaterial;
use HonestCore\Sampling\DepthLayer;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * The recommendation of an area: from its newest composite with a pH. A lab result goes before a bench reading;
 * a bench reading made against its protocol does not count.
 */
final class Recommend
{
    private const READ_BY = ['readings.method', 'readings.correction:id,corrects_id'];

    /** Composites of an area that are looked at: the newest with a pH, of which those of the newest round decide. */
    private const NEWEST = 300;

    private ?JudgingPolicy $policy = null;

    /** @var array<int, true>|null readings in an open question */
    private ?array $doubted = null;

    /** @var array<int, float|null> expanded, by lab method */
    private array $uncertainty = [];

    /** @var Collection<int, Verdict>|null */
    private ?Collection $signed = null;

    public function __construct(private readonly GatherEvidence $evidence, private readonly VerdictStatus $status, private readonly SamplingSplit $sampling) {}

    /** @return array<int|string, mixed> what is loaded with the areas that are to be advised on */
    public static function needs(): array
    {
        return [
            'samples' => static fn (HasMany $samples) => $samples->whereHas('readings', static fn ($readings) => $readings->whereHas('method', static fn ($method) => $method->where('analyte', 'ph')))->orderByDesc('pulled_on')->orderByDesc('number')->limit(self::NEWEST),
            ...array_map(static fn (string $with): string => "samples.{$with}", self::READ_BY),
        ];
    }

    /**
     * @param Area $area with what needs() names
     * @param int|null $sampleId the composite that is asked about; null for the newest, or the part of the newest round that needs most
     */
    public function __invoke(Area $area, LimeMaterial $material, float $depthInches, ?int $sampleId = null): Recommendation
    {
        $policy = $this->policy ??= $this->evidence->policy('ph');
        $limits = $policy->limitsFor($area->use)->values;
        $crop = $area->crop()->within($limits[0], $limits[count($limits) - 1]);
        $samples = array_values($area->samples->sortByDesc(static fn (Sample $sample): array => [$sample->pulled_on->format('Y-m-d'), $sample->number])
            ->filter(fn (Sample $sample): bool => DepthLayer::parse($sample->depth)->topCm === 0.0 && $this->standing($sample, 'ph', null) !== [])->all());
        $advise = fn (?Sample $sample): Advised => $this->advise($sample, $area, $policy, $crop, $material, $depthInches);
        [$round, $planned] = $this->round($samples);
        $parts = array_map($advise, $round);
        $chosen = match (true) {
            $sampleId !== null => $advise($area->samples->find($sampleId) ?? Sample::query()->where('area_id', $area->id)->with(self::READ_BY)->find($sampleId)),
            $parts !== [] => self::neediest($parts),
            default => $advise($samples[0] ?? null),
        };
        $others = array_values(array_filter($samples, static fn (Sample $one): bool => $one->id !== $chosen->sample?->id));

        return new Recommendation($area, $crop, $chosen, $policy, $others, $parts, $planned, $this->disagreements($chosen, $others, $parts, $policy, $area->use));
    }

    private function advise(?Sample $sample, Area $area, JudgingPolicy $policy, Crop $crop, LimeMaterial $material, float $depthInches): Advised
    {
        $labReading = $sample === null ? null : ($this->standing($sample, 'ph', 'lab')[0] ?? null);
        $lab = $sample === null || $labReading === null ? null : LabPh::of(
            (float) $labReading->value, $this->uncertainty[$labReading->method_id] ??= $this->sampling->expanded($labReading->method), $this->buffer($sample, 'mehlich'), $this->buffer($sample, 'smp'),
        );
        [$kitReading, $verdict, $kit] = $sample === null ? [null, null, null] : $this->kit($sample, $area, $policy);

        return new Advised(LimeAdvice::from($lab, $kit, $crop, $depthInches, $material), $sample, $lab, $labReading, $kit, $kitReading, $verdict);
    }

    /**
     * The parts of the newest round, where its plan laid out more than one composite: cells or zones, each with an answer of its own.
     * Duplicate composites are left out: they tell of the sampling.
     *
     * @param list<Sample> $samples the newest first
     * @return array{list<Sample>, int} those with a pH in the order of the plan, none where it has one composite; and how many were planned
     */
    private function round(array $samples): array
    {
        $newest = $samples[0] ?? null;
        $own = $newest === null ? null : Plan::query()->whereKey($newest->plan_id)->toBase()->selectRaw("composites - COALESCE(json_extract(layout, '$.quality.duplicates'), 0) AS own")->value('own');
        if ($newest === null || ! is_numeric($own) || (int) $own < 2) {
            return [[], 1];
        }
        $parts = [];
        foreach ($samples as $sample) {
            if ($sample->plan_id === $newest->plan_id && $sample->year === $newest->year && $sample->composite <= (int) $own) {
                $parts[$sample->composite] ??= $sample;
            }
        }
        ksort($parts);

        return [array_values($parts), (int) $own];
    }

    /** @param non-empty-list<Advised> $parts */
    private static function neediest(array $parts): Advised
    {
        $needs = ['amount', 'direction', 'none', 'too_high', 'leave'];
        usort($parts, static fn (Advised $a, Advised $b): int => array_search($a->advice->kind, $needs, true) <=> array_search($b->advice->kind, $needs, true));

        return $parts[0];
    }

    /** @return array{Reading|null, Verdict|null, KitDirection|null} the bench reading with the best claim to be heard */
    private function kit(Sample $sample, Area $area, JudgingPolicy $policy): array
    {
        $best = [null, null, null];
        foreach ($this->standing($sample, 'ph', 'bench') as $reading) {
            $band = $reading->method->scale()?->named((string) $reading->band);
            if ($band === null) {
                continue;
            }
            $verdict = $this->signed()->first(static fn (Verdict $verdict): bool => $verdict->method_id === $reading->method_id && $verdict->claim === 'sort');
            $classes = array_map(static fn (Band $one): ?int => $one->classIn(($verdict->policy ?? $policy)->limitsFor($area->use)), array_filter([$band, $reading->method->scale()?->named((string) $reading->between)]));
            $class = count(array_unique($classes)) === 1 ? $classes[0] : null;
            $kit = new KitDirection(
                $reading->method->name, $band->name, $band->middle() ?? NAN, $class === null ? null : $policy->terms['actions'][$class],
                $verdict === null ? null : Word::from($verdict->verdict), $verdict?->scope['test_from'], $verdict?->scope['test_to'],
            );
            $rank = static fn (?KitDirection $one): int => $one === null ? 0 : ($one->counts() ? 3 : ($one->action !== null ? 2 : 1));
            if ($rank($kit) > $rank($best[2])) {
                $best = [$reading, $verdict, $kit];
            }
        }

        return $best;
    }

    /**
     * Composites of the same year that call for another action. Other parts of the same round have an answer of their own and
     * contradict nothing; the duplicate of this part does.
     *
     * @param list<Sample> $others
     * @param list<Advised> $parts
     * @return list<string>
     */
    private function disagreements(Advised $chosen, array $others, array $parts, JudgingPolicy $policy, string $use): array
    {
        [$sample, $lab] = [$chosen->sample, $chosen->lab];
        if ($sample === null || $lab === null) {
            return [];
        }
        $limits = $policy->limitsFor($use);
        $planId = ($parts[0] ?? null)?->sample?->plan_id;
        $twin = $sample->plan_id === $planId ? $this->twin($sample) : null;
        $words = [];
        foreach ($others as $other) {
            $reading = $this->standing($other, 'ph', 'lab')[0] ?? null;
            if ($other->year !== $sample->year || ($other->plan_id === $planId && $other->composite !== $twin) || $reading === null || $limits->classOf((float) $reading->value) === $limits->classOf($lab->ph)) {
                continue;
            }
            $action = $policy->terms['actions'][$limits->classOf((float) $reading->value)];
            $words[] = "{$other->code} ({$other->pulled_on->format('j M')}, pH {$reading->as_reported}, {$action}".($other->plan_id === $planId ? ', a duplicate of this one)' : ')');
        }

        return $words === [] ? [] : ['Other composites of this area call for another action in the same year: '.implode(', ', $words).'.'.($parts === [] ? ' One area with two answers may want splitting.' : '')];
    }

    /** The number of the composite that was pulled a second time from the same part. */
    private function twin(Sample $sample): ?int
    {
        $composites = Plan::query()->find($sample->plan_id, ['id', 'layout'])->layout['composites'] ?? [];

        return array_column(array_filter($composites, static fn (array $one): bool => isset($one['duplicate_of'])), 'number', 'duplicate_of')[$sample->composite] ?? null;
    }

    /** @return Collection<int, Verdict> */
    private function signed(): Collection
    {
        return $this->signed ??= Verdict::standing()->with(Verdict::SHOWN_WITH)->get(Verdict::LISTED)->filter(fn (Verdict $verdict): bool => $this->status->ended($verdict) === [])->values();
    }

    private function buffer(Sample $sample, string $school): ?float
    {
        foreach ($this->standing($sample, 'buffer_ph', 'lab') as $reading) {
            if ($reading->method->school === $school) {
                return $reading->value;
            }
        }

        return null;
    }

    /**
     * What stands of a sample: the lab that the team began with before others, then the newest. Readings that are in a question to
     * the lab nobody has answered are not built on.
     *
     * @return list<Reading>
     */
    private function standing(Sample $sample, string $analyte, ?string $portion): array
    {
        $this->doubted ??= AskQuestions::doubted();

        return array_values($sample->readings->filter(fn (Reading $reading): bool => $reading->correction === null && $reading->flags === [] && ! isset($this->doubted[$reading->id])
            && $reading->method->analyte === $analyte && ($portion === null || $reading->method->portion === $portion),
        )->sortBy(static fn (Reading $reading): array => [$reading->method->portion === 'lab' && $reading->method->lab_id !== null ? 1 : 0, -$reading->id])->all());
    }
}
