<?php

declare(strict_types=1);

namespace App\Actions\Prescribe;

use App\Actions\Decide\VerdictStatus;
use App\Actions\Evidence\GatherEvidence;
use App\Actions\Evidence\SamplingSplit;
use App\Actions\Reports\AskQuestions;
use App\Models\Area;
use App\Models\JudgingPolicy;
use App\Models\Reading;
use App\Models\Sample;
use App\Models\Verdict;
use HonestCore\Agreement\Band;
use HonestCore\Agreement\Verdict as Word;
use HonestCore\Agronomy\Lime\KitDirection;
use HonestCore\Agronomy\Lime\LabPh;
use HonestCore\Agronomy\Lime\LimeAdvice;
use HonestCore\Agronomy\Lime\LimeMaterial;
use HonestCore\Sampling\DepthLayer;
use Illuminate\Database\Eloquent\Collection;

/**
 * The recommendation of an area: from its newest composite with a pH. A lab result goes before a bench reading;
 * a bench reading made against its protocol does not count.
 */
final class Recommend
{
    public const NEEDS = ['samples.readings.method', 'samples.readings.correction:id,corrects_id'];

    private ?JudgingPolicy $policy = null;

    /** @var array<int, true>|null readings in an open question */
    private ?array $doubted = null;

    /** @var array<int, float|null> expanded, by lab method */
    private array $uncertainty = [];

    /** @var Collection<int, Verdict>|null */
    private ?Collection $signed = null;

    public function __construct(private readonly GatherEvidence $evidence, private readonly VerdictStatus $status, private readonly SamplingSplit $sampling) {}

    /** @param Area $area with what NEEDS names */
    public function __invoke(Area $area, LimeMaterial $material, float $depthInches): Recommendation
    {
        $policy = $this->policy ??= $this->evidence->policy('ph');
        $limits = $policy->limitsFor($area->use)->values;
        $crop = $area->crop()->within($limits[0], $limits[count($limits) - 1]);
        $samples = $area->samples->sortByDesc(static fn (Sample $sample): array => [$sample->pulled_on->format('Y-m-d'), $sample->number])
            ->filter(fn (Sample $sample): bool => DepthLayer::parse($sample->depth)->topCm === 0.0 && $this->standing($sample, 'ph', null) !== [])->values()->all();
        $sample = $samples[0] ?? null;
        $labReading = $sample === null ? null : ($this->standing($sample, 'ph', 'lab')[0] ?? null);
        $lab = $sample === null || $labReading === null ? null : LabPh::of(
            (float) $labReading->value, $this->uncertainty[$labReading->method_id] ??= $this->sampling->expanded($labReading->method), $this->buffer($sample, 'mehlich'), $this->buffer($sample, 'smp'),
        );
        [$kitReading, $verdict, $kit] = $sample === null ? [null, null, null] : $this->kit($sample, $area, $policy);

        return new Recommendation(
            $area, $crop, LimeAdvice::from($lab, $kit, $crop, $depthInches, $material),
            $sample, $lab, $labReading, $kit, $kitReading, $verdict, $policy, array_slice($samples, 1),
            $sample === null || $lab === null ? [] : $this->disagreements($sample, $lab->ph, array_slice($samples, 1), $policy, $area->use),
        );
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
     * @param list<Sample> $earlier
     * @return list<string>
     */
    private function disagreements(Sample $newest, float $ph, array $earlier, JudgingPolicy $policy, string $use): array
    {
        $limits = $policy->limitsFor($use);
        $words = [];
        foreach ($earlier as $sample) {
            $reading = $this->standing($sample, 'ph', 'lab')[0] ?? null;
            if ($sample->year !== $newest->year || $reading === null || $limits->classOf((float) $reading->value) === $limits->classOf($ph)) {
                continue;
            }
            $action = $policy->terms['actions'][$limits->classOf((float) $reading->value)];
            $words[] = "{$sample->code} ({$sample->pulled_on->format('j M')}, pH {$reading->as_reported}, {$action})";
        }

        return $words === [] ? [] : [
            'Other composites of this area call for another action in the same year: '.implode(', ', $words).'. One area with two answers may want splitting.',
        ];
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
