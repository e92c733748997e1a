<?php

declare(strict_types=1);

namespace App\Actions\Prescribe;

use App\Actions\Reports\AskQuestions;
use App\Actions\Verdicts\VerdictStatus;
use App\Models\Area;
use App\Models\JudgingPolicy;
use App\Models\Reading;
use App\Models\Sample;
use App\Models\SignedVerdict;
use HonestCore\Agreement\ActionLimits;
use HonestCore\Agreement\Band;
use HonestCore\Agreement\Call;
use HonestCore\Agreement\ErrorOfTest;
use HonestCore\Agreement\KeptPair;
use HonestCore\Agreement\Scale;
use HonestCore\Agreement\Verdict as Word;
use HonestCore\Agronomy\Lime\KitDirection;
use Illuminate\Database\Eloquent\Collection;

/**
 * What of a composite may be built on: results of labs, and tests of the bench as far as a verdict that was signed
 * lets them.
 * Readings made against their protocol do not count.
 */
final class WhatStands
{
    /** What is loaded with readings that are asked about. */
    public const READ_BY = ['readings.method', 'readings.correction:id,corrects_id'];

    /** @var array<int, true>|null readings in an open question */
    private ?array $doubted = null;

    /** @var \WeakMap<Sample, array<string, list<Reading>>>|null */
    private ?\WeakMap $found = null;

    /** @var array<int, ErrorOfTest|null> by verdict */
    private array $errors = [];

    /** @var Collection<int, SignedVerdict>|null */
    private ?Collection $signed = null;

    public function __construct(private readonly VerdictStatus $status) {}

    /**
     * What stands of a sample: the lab that the team began with before others, then the newest. Readings that are in a
     * question to
     * the lab nobody has answered are not built on.
     *
     * @return list<Reading>
     */
    public function readings(Sample $sample, string $analyte, ?string $workplace = null): array
    {
        $standing = $this->standing($sample)[$analyte] ?? [];

        return $workplace === null
            ? $standing
            : array_values(array_filter($standing, static fn (Reading $one): bool => $one->method->workplace === $workplace));
    }

    /**
     * Whether a reading is in a question that nobody has answered.
     */
    public function isDoubted(Reading $reading): bool
    {
        $this->doubted ??= AskQuestions::doubted();

        return isset($this->doubted[$reading->id]);
    }

    /**
     * What stands of a sample by analyte, found once for each sample that is looked at.
     *
     * @return array<string, list<Reading>>
     */
    private function standing(Sample $sample): array
    {
        $this->found ??= new \WeakMap;

        return $this->found[$sample] ??= $sample->readings
            ->filter(
                fn (Reading $reading): bool => $reading->correction === null &&
                    $reading->flags === [] &&
                    ! $this->isDoubted($reading),
            )
            ->sortBy(
                static fn (Reading $reading): array => [
                    $reading->method->workplace === 'lab' && $reading->method->lab_id !== null ? 1 : 0,
                    -$reading->id,
                ],
            )
            ->groupBy(static fn (Reading $reading): string => $reading->method->analyte)
            ->map(static fn ($of): array => array_values($of->all()))
            ->all();
    }

    /**
     * A number of a bench test whose rate claim was signed as standing and covers it: it sizes as the lab's would.
     *
     * @return array{Reading, SignedVerdict}|null
     */
    public function rated(Sample $sample, string $analyte): ?array
    {
        foreach ($this->readings($sample, $analyte, 'bench') as $reading) {
            $verdict = $reading->value === null ? null : $this->verdict($reading, 'rate');
            if (
                $verdict !== null &&
                $verdict->verdict === Word::Stands->value &&
                $verdict->silentOn($reading->lot, $sample->year) === '' &&
                $reading->value >= ($verdict->scope['test_from'] ?? INF) &&
                $reading->value <= ($verdict->scope['test_to'] ?? -INF)
            ) {
                return [$reading, $verdict];
            }
        }

        return null;
    }

    /**
     * @return array{Reading|null, SignedVerdict|null, KitDirection|null} the bench reading with the best claim to be heard
     */
    public function sorted(Sample $sample, Area $area, JudgingPolicy $policy): array
    {
        $best = [null, null, null];
        foreach ($this->readings($sample, $policy->analyte, 'bench') as $reading) {
            $band = $reading->method->scale()?->named((string) $reading->band);
            if ($band === null && $reading->value === null) {
                continue;
            }
            $verdict = $this->verdict($reading, 'sort');
            $class = self::classOf($reading, $band, ($verdict->policy ?? $policy)->limitsFor($area->use));
            $kit = new KitDirection(
                $reading->method->name,
                $band->name ?? $reading->as_reported,
                $band === null ? (float) $reading->value : $band->middle() ?? NAN,
                $class === null ? null : $policy->terms->actions[$class],
                $verdict === null ? null : Word::from($verdict->verdict),
                $verdict?->scope['test_from'],
                $verdict?->scope['test_to'],
                $verdict?->silentOn($reading->lot, $sample->year) ?? '',
                $verdict === null ? '' : $this->tooClose($verdict, $reading, $band, $policy->limitsFor($area->use)),
            );
            if (self::rank($kit) > self::rank($best[2])) {
                $best = [$reading, $verdict, $kit];
            }
        }

        return $best;
    }

    /**
     * Between which figures the lab would have found it, where a limit lies between them: by the bias and the spread of the
     * pairs that the verdict rests on, not by the test's own repeats.
     */
    private function tooClose(SignedVerdict $verdict, Reading $reading, ?Band $band, ActionLimits $limits): string
    {
        $scale = $verdict->policy->terms->scale;
        $figure = $reading->value !== null && ($scale === Scale::Absolute || $reading->value > 0) ? (float) $reading->value : null;
        $error = $band === null && $figure === null ? null : $this->error($verdict, $scale);
        if ($error === null) {
            return '';
        }
        [$from, $to] = $band === null ? $error->foundFor((float) $figure, $scale) : $error->foundForBand($band, $scale);
        $shown = static fn (float $end): string => number_format($end, 1);

        return ! Call::ofInterval($from, $to, $limits)->isTooClose()
            ? ''
            : "by the {$error->n} pairs of its verdict the lab would have found ".
                match (true) {
                    is_infinite($from), $from <= 0 && $scale === Scale::Ratio => "{$shown($to)} or less",
                    is_infinite($to) => "{$shown($from)} or more",
                    default => "{$shown($from)} to {$shown($to)}",
                };
    }

    private function error(SignedVerdict $verdict, Scale $scale): ?ErrorOfTest
    {
        if (! array_key_exists($verdict->id, $this->errors)) {
            $pairs = SignedVerdict::query()->findOrFail($verdict->id, ['id', 'snapshot'])->snapshot ?? [];
            $this->errors[$verdict->id] = KeptPair::error($pairs, $scale);
        }

        return $this->errors[$verdict->id];
    }

    private function verdict(Reading $reading, string $claim): ?SignedVerdict
    {
        return $this->signed()->first(
            static fn (SignedVerdict $verdict): bool => $verdict->method_id === $reading->method_id &&
                $verdict->claim === $claim,
        );
    }

    /** @return Collection<int, SignedVerdict> */
    private function signed(): Collection
    {
        return $this->signed ??= SignedVerdict::standing()
            ->with(SignedVerdict::SHOWN_WITH)
            ->get(SignedVerdict::LISTED)
            ->filter(fn (SignedVerdict $verdict): bool => $this->status->ended($verdict) === [])
            ->values();
    }

    /** The action class of a bench reading; null where it, or a colour between two, reaches over a limit. */
    private static function classOf(Reading $reading, ?Band $band, ActionLimits $limits): ?int
    {
        if ($band === null) {
            return $limits->classOf((float) $reading->value);
        }
        $other = $reading->method->scale()?->named((string) $reading->between);
        $class = $band->classIn($limits);

        return $other === null || $other->classIn($limits) === $class ? $class : null;
    }

    /** What counts goes before what gives an action, and that before what gives none. */
    private static function rank(?KitDirection $kit): int
    {
        return match (true) {
            $kit === null => 0,
            $kit->counts() => 3,
            $kit->action !== null => 2,
            default => 1,
        };
    }
}
