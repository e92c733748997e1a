<?php

declare(strict_types=1);

namespace App\Actions\Evidence;

use App\Database\Patience;
use App\Database\Values;
use App\Models\Concerns\TakenScope;
use App\Models\EvidenceSummary;
use App\Models\JudgingPolicy;
use App\Models\RecordSet;
use App\Models\SignedVerdict;
use App\Models\TestMethod;
use HonestCore\Agreement\Band;
use HonestCore\Agreement\EvidenceHash;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Query\Builder;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/**
 * What each test's evidence says: as it was kept while nothing was touched that it rests on, else computed anew by whoever must
 * know it; lists take what is kept and say where it may be of yesterday.
 *
 * @phpstan-type Summary array{pairs: int, left_out: int, hash: string, older: string, records: string, verdicts: array{sort: string,
 *     rate: string, track: string}}
 */
final class Summaries
{
    /** Computations that depend on the code change with this. */
    private const VERSION = 7;

    public function __construct(private readonly GatherEvidence $gather) {}

    /**
     * Every test with the reference it is judged by, and the tests of the bench that have none: no lab, or no policy.
     *
     * @return array{pairs: list<array{TestMethod, TestMethod}>, untested: list<TestMethod>}
     */
    public function tests(): array
    {
        $methods = TestMethod::query()->orderBy('workplace')->orderBy('id')->get();
        $policies = JudgingPolicy::query()->distinct()->pluck('analyte')->all();
        [$pairs, $untested] = [[], []];
        $first = self::firstLabs($methods);
        foreach ($methods as $test) {
            $reference = $test->workplace === 'lab' ? self::otherLab($test, $methods) : $first[$test->analyte] ?? null;
            if ($reference !== null && in_array($test->analyte, $policies, true)) {
                $pairs[] = [$test, $reference];
            } elseif ($test->workplace === 'bench') {
                $untested[] = $test;
            }
        }

        return ['pairs' => $pairs, 'untested' => $untested];
    }

    /**
     * A lab is judged against the one the team began with, by the same extractant; that one against none.
     *
     * @param Collection<int, TestMethod> $methods
     */
    private static function otherLab(TestMethod $test, Collection $methods): ?TestMethod
    {
        return $methods->first(
            static fn (TestMethod $one): bool => $one->workplace === 'lab' &&
                $one->analyte === $test->analyte &&
                $one->extractant === $test->extractant &&
                $one->school === $test->school &&
                $one->id < $test->id,
        );
    }

    /**
     * As they are this moment: what was touched is computed anew. Nothing of it is kept, for it may be touched again meanwhile.
     *
     * @param list<array{TestMethod, TestMethod}> $pairs tests with their references, of analytes that have a policy
     * @return array<int, Summary> by id of the test
     */
    public function of(array $pairs): array
    {
        return $this->found($pairs)[0];
    }

    /**
     * Computes what was touched of all tests and keeps it, and nothing of pairs that are compared no longer.
     *
     * @return bool whether all of it could be kept
     */
    public function keepAll(): bool
    {
        $pairs = $this->tests()['pairs'];

        return $this->keep($this->found($pairs)[1]) && $this->forgetAllBut($pairs);
    }

    /**
     * @param list<array{TestMethod, TestMethod}> $pairs
     * @return array{array<int, Summary>, list<array<string, mixed>>} by id of the test, and the rows of those computed anew
     */
    private function found(array $pairs): array
    {
        $kept = $this->kept($pairs);
        $states = $this->states(array_values(array_filter(
            $pairs,
            static fn (array $pair): bool => ! isset($kept[$pair[0]->id]) || ! $kept[$pair[0]->id]->isOfNow,
        )));
        [$summaries, $fresh] = [[], []];
        foreach ($pairs as [$test, $reference]) {
            $stored = $kept[$test->id] ?? null;
            if ($stored !== null && ($stored->isOfNow || $stored->state === $states[$test->id])) {
                $summaries[$test->id] = $stored->summary;

                continue;
            }
            $evidence = ($this->gather)($test, $reference);
            $assessment = $evidence->assessment();
            $summaries[$test->id] = [
                'pairs' => count($evidence->counted()),
                'left_out' => count($evidence->leftOut()),
                'hash' => $evidence->hash()->value,
                'older' => $evidence->hash()->older,
                'records' => $this->ofRecords($test, $reference),
                'verdicts' => [
                    'sort' => $assessment->sort->verdict->value,
                    'rate' => $assessment->rate->verdict->value,
                    'track' => $assessment->track->verdict->value,
                ],
            ];
            $fresh[] = [
                'team_id' => $test->team_id,
                'method_id' => $test->id,
                'reference_id' => $reference->id,
                'state' => $states[$test->id],
                'summary' => json_encode($summaries[$test->id], JSON_THROW_ON_ERROR),
                'created_at' => Carbon::now(),
                'updated_at' => Carbon::now(),
            ];
        }

        return [$summaries, $fresh];
    }

    /**
     * As they were kept, none of them computed: for lists, which nobody should wait for.
     *
     * @param list<array{TestMethod, TestMethod}> $pairs
     * @return array<int, KeptSummary> by id of the test; none where nothing was computed yet
     */
    public function kept(array $pairs): array
    {
        if ($pairs === []) {
            return [];
        }
        $stirred = Stirred::of($pairs[0][0]->team_id);
        $together = $stirred->isNothing() ? [] : self::together();
        $reached = array_fill_keys(
            array_map(
                static fn (array $pair): string => $pair[0]->analyte,
                array_filter($pairs, static fn (array $pair): bool => $stirred->reaches(...$pair)),
            ),
            true,
        );
        $rows = EvidenceSummary::query()
            ->get()
            ->keyBy(static fn (EvidenceSummary $one): string => "{$one->method_id}/{$one->reference_id}");
        $kept = [];
        foreach ($pairs as [$test, $reference]) {
            $row = $rows["{$test->id}/{$reference->id}"] ?? null;
            if ($row !== null) {
                // Where claims share one error rate, what reaches one reaches all.
                $isReached = $stirred->reaches($test, $reference) ||
                    (in_array($test->analyte, $together, true) && isset($reached[$test->analyte]));
                $kept[$test->id] = new KeptSummary($row->summary, $row->state, ! $isReached);
            }
        }

        return $kept;
    }

    /**
     * For lists: as they were kept, with what was never computed.
     *
     * @param list<array{TestMethod, TestMethod}> $pairs
     * @return array<int, KeptSummary> by id of the test
     */
    public function shown(array $pairs): array
    {
        $kept = $this->kept($pairs);
        $missing = array_values(array_filter($pairs, static fn (array $pair): bool => ! isset($kept[$pair[0]->id])));

        return $kept + array_map(
            static fn (array $summary): KeptSummary => new KeptSummary($summary, '', true),
            $this->of($missing),
        );
    }

    /**
     * Of pairs that are compared no longer, nothing is kept that nobody computes again.
     *
     * @param list<array{TestMethod, TestMethod}> $pairs
     */
    private function forgetAllBut(array $pairs): bool
    {
        $kept = array_fill_keys(array_map(static fn (array $pair): string => "{$pair[0]->id}/{$pair[1]->id}", $pairs), true);
        $others = EvidenceSummary::query()
            ->get(['id', 'method_id', 'reference_id'])
            ->reject(static fn (EvidenceSummary $one): bool => isset($kept["{$one->method_id}/{$one->reference_id}"]));

        return $others->isEmpty() ||
            Patience::short(static fn (): mixed => EvidenceSummary::query()->whereKey($others->modelKeys())->delete());
    }

    /** @return list<string> analytes whose claims share one error rate */
    private static function together(): array
    {
        return array_values(
            JudgingPolicy::register()
                ->groupBy('analyte')
                ->filter(static fn (Collection $versions): bool => $versions->firstOrFail()->terms->together)
                ->keys()
                ->map(Values::text(...))
                ->all(),
        );
    }

    /**
     * Whether the evidence has moved since a verdict was signed: the one answer for lists, pages and Today.
     *
     * @param Summary $summary
     */
    public static function moved(SignedVerdict $verdict, array $summary): bool
    {
        return $verdict->isOfRecords()
            ? $summary['records'] !== $verdict->evidence_hash
            : ! (new EvidenceHash($summary['hash'], $summary['older']))->is($verdict->evidence_hash);
    }

    /** The name of what old records say; empty where there are none. */
    private function ofRecords(TestMethod $test, TestMethod $reference): string
    {
        return RecordSet::of($test, $reference)->exists() ? $this->gather->ofRecords($test, $reference)->hash()->value : '';
    }

    /**
     * A summary is a convenience: while somebody else holds the lock for long, as an import does, it is left for the
     * next time.
     *
     * @param list<array<string, mixed>> $fresh
     */
    private function keep(array $fresh): bool
    {
        return $fresh === [] || Patience::short(static fn () => array_map(
            static fn (array $some): int => EvidenceSummary::query()->upsert(
                $some,
                ['team_id', 'method_id', 'reference_id'],
                ['state', 'summary', 'updated_at'],
            ),
            array_chunk($fresh, 500),
        ));
    }

    /**
     * Names all that the evidence of a test rests on: its readings, those of the reference of the same composites, which are
     * written once and only ever added to, the policy, what grows there, bands and lot. It hangs on no clock.
     *
     * @param list<array{TestMethod, TestMethod}> $pairs
     * @return array<int, string>
     */
    private function states(array $pairs): array
    {
        if ($pairs === []) {
            return [];
        }
        $team = $pairs[0][0]->team_id;
        $tests = array_map(static fn (array $pair): int => $pair[0]->id, $pairs);
        $together = self::together();
        $own = $this->counted($team, $together === [] ? $tests : array_map(
            static fn (array $pair): int => $pair[0]->id,
            $this->tests()['pairs'],
        ));
        $references = $this->ofReferences($team, $pairs);
        $policies = DB::table('judging_policies')
            ->where('team_id', $team)
            ->groupBy('analyte')
            ->selectRaw('analyte, max(id) last')
            ->pluck('last', 'analyte');
        $others = [];
        foreach ($together === [] ? [] : $this->tests()['pairs'] as [$test]) {
            $others[$test->analyte][] = $own[$test->id] ?? null;
        }
        $uses = $this->uses($team, $tests);
        $records = DB::table('record_sets')
            ->where('team_id', $team)
            ->groupBy('method_id')
            ->selectRaw('method_id, max(id) last, count(withdrawn_at) gone')
            ->get()
            ->keyBy('method_id');
        $states = [];
        foreach ($pairs as [$test, $reference]) {
            $states[$test->id] = self::named($test, $reference, [
                $own[$test->id] ?? null,
                $references[$test->id] ?? null,
                $policies[$test->analyte] ?? null,
                $uses[$test->id] ?? null,
                $records[$test->id] ?? null,
                // Where claims share one error rate, those of the others decide too.
                in_array($test->analyte, $together, true) ? $others[$test->analyte] : null,
            ]);
        }

        return $states;
    }

    /** @param list<mixed> $restsOn */
    private static function named(TestMethod $test, TestMethod $reference, array $restsOn): string
    {
        $bands = static fn (TestMethod $of): array => array_map(
            static fn (Band $band): array => $band->toRow(),
            $of->bands ?? [],
        );

        return hash(
            'sha256',
            json_encode(
                [self::VERSION, ...$restsOn, $test->lot, $bands($test), $bands($reference), $reference->uncertainty],
                JSON_THROW_ON_ERROR,
            ),
        );
    }

    /**
     * @param list<int> $tests
     * @return array<int, list<int>> how many readings and the last of them, by test
     */
    private function counted(int $team, array $tests): array
    {
        return self::pairsOf(
            TakenScope::narrow(DB::table('readings'), 'report_id')
                ->where('team_id', $team)
                ->whereIn('method_id', $tests)
                ->groupBy('method_id')
                ->selectRaw('method_id, count(*) n, max(id) last'),
        );
    }

    /**
     * The same of what the reference found of composites that a test has read.
     *
     * @param list<array{TestMethod, TestMethod}> $pairs
     * @return array<int, list<int>>
     */
    private function ofReferences(int $team, array $pairs): array
    {
        $by = $found = [];
        foreach ($pairs as [$test, $reference]) {
            $by[$reference->id][] = $test->id;
        }
        foreach ($by as $reference => $tests) {
            $query = DB::table('readings', 'own')
                ->join('readings as theirs', static fn (JoinClause $on): JoinClause => $on
                    ->on('theirs.sample_id', '=', 'own.sample_id')
                    ->on('theirs.team_id', '=', 'own.team_id')
                    ->where('theirs.method_id', $reference))
                ->where('own.team_id', $team)
                ->whereIn('own.method_id', $tests)
                ->groupBy('own.method_id')
                ->selectRaw('own.method_id, count(*) n, max(theirs.id) last');
            $found += self::pairsOf(TakenScope::narrow(TakenScope::narrow($query, 'own.report_id'), 'theirs.report_id'));
        }

        return $found;
    }

    /**
     * @param list<int> $tests
     * @return array<int, string> what grows where each test was read
     */
    private function uses(int $team, array $tests): array
    {
        $uses = [];
        $rows = DB::table('readings')
            ->join('samples', 'samples.id', '=', 'readings.sample_id')
            ->join('areas', 'areas.id', '=', 'samples.area_id')
            ->where('readings.team_id', $team)
            ->whereIn('readings.method_id', $tests)
            ->distinct()
            ->orderBy('readings.method_id')
            ->orderBy('areas.id')
            ->get(['readings.method_id', 'areas.id', 'areas.use']);
        foreach ($rows as $row) {
            $uses[Values::whole($row->method_id)][] = "{$row->id} {$row->use}";
        }

        return array_map(static fn (array $own): string => implode(',', $own), $uses);
    }

    /** @return array<int, list<int>> */
    private static function pairsOf(Builder $query): array
    {
        $found = [];
        foreach ($query->get() as $row) {
            $found[Values::whole($row->method_id)] = [Values::whole($row->n), Values::whole($row->last)];
        }

        return $found;
    }

    /**
     * The lab method that each analyte is judged by, as TestMethod::labsFor orders them.
     *
     * @param iterable<TestMethod> $methods
     * @return array<string, TestMethod> by analyte
     */
    private static function firstLabs(iterable $methods): array
    {
        $first = [];
        foreach ($methods as $method) {
            if ($method->workplace !== 'lab' || $method->school !== null) {
                continue;
            }
            $of = TestMethod::extractantOf($method->analyte);
            $fits = $of !== '' && $method->extractant === $of;
            $known = $first[$method->analyte] ?? null;
            if ($known === null || ($fits && $known->extractant !== $method->extractant)) {
                $first[$method->analyte] = $method;
            }
        }

        return $first;
    }
}
