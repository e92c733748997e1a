<?php

declare(strict_types=1);

namespace App\Actions\Evidence;

use App\Models\Concerns\TakenScope;
use App\Models\EvidenceSummary;
use App\Models\JudgingPolicy;
use App\Models\RecordSet;
use App\Models\SignedVerdict;
use App\Models\TestMethod;
use HonestCore\Agreement\Band;
use HonestCore\Agreement\EvidenceHash;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\QueryException;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/**
 * What each test's evidence says, from what was stored when nothing that it rests on has changed since, else computed
 * anew.
 *
 * @phpstan-type Summary array{pairs: int, left_out: int, hash: string, older: string, records: string, verdicts: array{sort: string,
 *     rate: string, track: string}}
 */
final class Summaries
{
    /** Computations that depend on the code change with this. */
    private const VERSION = 6;

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
     * @param list<array{TestMethod, TestMethod}> $pairs tests with their references, of analytes that have a policy
     * @return array<int, Summary> by id of the test
     */
    public function of(array $pairs): array
    {
        $states = $this->states($pairs);
        $kept = EvidenceSummary::query()
            ->get()
            ->keyBy(static fn (EvidenceSummary $one): string => "{$one->method_id}/{$one->reference_id}");
        [$summaries, $fresh] = [[], []];
        foreach ($pairs as [$test, $reference]) {
            $stored = $kept["{$test->id}/{$reference->id}"] ?? null;
            if ($stored !== null && $stored->state === $states[$test->id]) {
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
        $this->keep($fresh);

        return $summaries;
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
    private function keep(array $fresh): void
    {
        if ($fresh === []) {
            return;
        }
        $patience = DB::scalar('PRAGMA busy_timeout');
        DB::statement('PRAGMA busy_timeout = 200');
        try {
            foreach (array_chunk($fresh, 500) as $some) {
                EvidenceSummary::query()->upsert(
                    $some,
                    ['team_id', 'method_id', 'reference_id'],
                    ['state', 'summary', 'updated_at'],
                );
            }
        } catch (QueryException $error) {
            if (! str_contains($error->getMessage(), 'locked')) {
                throw $error;
            }
        } finally {
            DB::statement('PRAGMA busy_timeout = '.(is_numeric($patience) ? (int) $patience : 30_000));
        }
    }

    /**
     * Names all that the evidence of a test rests on: its readings and those of the reference, which are written once
     * and only ever added to, the policy, what grows where, bands and lot. It hangs on no clock.
     *
     * @param list<array{TestMethod, TestMethod}> $pairs
     * @return array<int, string>
     */
    private function states(array $pairs): array
    {
        $team = $pairs[0][0]->team_id ?? 0;
        $readings = TakenScope::narrow(DB::table('readings'), 'report_id')
            ->where('team_id', $team)
            ->groupBy('method_id')
            ->selectRaw('method_id, count(*) n, max(id) last')
            ->get()
            ->keyBy('method_id');
        $policies = DB::table('judging_policies')
            ->where('team_id', $team)
            ->groupBy('analyte')
            ->selectRaw('analyte, max(id) last')
            ->pluck('last', 'analyte');
        $together = DB::table('judging_policies')->whereIn('id', $policies)->where('terms->together', true)->pluck('analyte')->all();
        $others = [];
        foreach (array_keys($together === [] ? [] : $pairs) as $i) {
            $others[$pairs[$i][0]->analyte][] = $readings[$pairs[$i][0]->id] ?? null;
        }
        $uses = DB::table('areas')->where('team_id', $team)->orderBy('id')->pluck('use', 'id')->all();
        $records = DB::table('record_sets')
            ->where('team_id', $team)
            ->groupBy('method_id')
            ->selectRaw('method_id, max(id) last, count(withdrawn_at) gone')
            ->get()
            ->keyBy('method_id');
        $states = [];
        foreach ($pairs as [$test, $reference]) {
            $states[$test->id] = hash(
                'sha256',
                json_encode(
                    [
                        self::VERSION,
                        $readings[$test->id] ?? null,
                        $readings[$reference->id] ?? null,
                        $policies[$test->analyte] ?? null,
                        $uses,
                        $records[$test->id] ?? null,
                        // Where claims share one error rate, those of the others decide too.
                        in_array($test->analyte, $together, true) ? $others[$test->analyte] : null,
                        $test->lot,
                        array_map(static fn (Band $band): array => $band->toRow(), $test->bands ?? []),
                        array_map(
                            static fn (Band $band): array => $band->toRow(),
                            $reference->bands ?? [],
                        ),
                    ],
                    JSON_THROW_ON_ERROR,
                ),
            );
        }

        return $states;
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
