<?php

declare(strict_types=1);

namespace App\Http\Controllers\Evidence;

use App\Actions\Evidence\GatherEvidence;
use App\Actions\Evidence\Summaries;
use App\Actions\Verdicts\VerdictStatus;
use App\Database\Page;
use App\Models\SignedVerdict;
use App\Models\TestMethod;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Collection;

/**
 * Every test that has a reference to be judged against, in one line each, some at a time: tests of the bench, and labs that stand
 * beside another.
 */
final class ListEvidence
{
    private const PER_PAGE = 40;

    private const SIGNED = [
        'id', 'team_id', 'method_id', 'reference_id', 'claim', 'verdict', 'scope', 'season', 'evidence_hash',
    ];

    private const NOTHING = [
        'computed' => 'untested', 'signed' => null, 'verdict_id' => null, 'moved' => false, 'ended' => [], 'silent_on' => '',
    ];

    public function __invoke(Request $request, GatherEvidence $gather, Summaries $summaries, VerdictStatus $status): JsonResponse
    {
        $request->validate([
            'page' => Page::ASKED,
            'method' => ['sometimes', 'integer'],
            'tested' => ['sometimes', 'boolean'],
            'q' => ['sometimes', 'string', 'max:60'],
        ]);
        ['pairs' => $pairs, 'untested' => $untested] = $summaries->tests();
        $found = $summaries->shown($pairs);
        $signed = SignedVerdict::standing()
            ->with(['method', 'follower:id,follows_id'])
            ->get(self::SIGNED)
            ->groupBy('method_id');
        $lines = [];
        foreach ($pairs as [$test, $reference]) {
            $lines[] = [
                ...self::named($test),
                'reference' => $reference->name,
                'reference_id' => $reference->id,
                'pairs' => $found[$test->id]->summary['pairs'],
                'left_out' => $found[$test->id]->summary['left_out'],
                'computing' => ! $found[$test->id]->isOfNow,
                'claims' => self::claims($found[$test->id]->summary, $signed->get($test->id) ?? collect(), $reference, $status),
                'untested' => null,
            ];
        }
        foreach ($request->boolean('tested') ? [] : $untested as $test) {
            $lines[] = [
                ...self::named($test),
                'reference' => null,
                'reference_id' => null,
                'pairs' => 0,
                'left_out' => 0,
                'computing' => false,
                'claims' => ['sort' => self::NOTHING, 'rate' => self::NOTHING, 'track' => self::NOTHING],
                'untested' => $gather->untested($test) ??
                    'No lab method here measures the same, so that it has no partner: it stays untested.',
            ];
        }

        return new JsonResponse(self::page($request, $lines));
    }

    /** @return array{method_id: int, name: string, analyte: string, workplace: string} */
    private static function named(TestMethod $test): array
    {
        return ['method_id' => $test->id, 'name' => $test->name, 'analyte' => $test->analyte, 'workplace' => $test->workplace];
    }

    /**
     * Those asked for, tests of the bench first; the page that has a certain test where one is named.
     *
     * @param list<array{method_id: int, name: string, workplace: string, computing: bool,
     *     claims: array<string, array{moved: bool, ended: list<string>, ...}>, ...}> $lines
     * @return array<string, mixed>
     */
    private static function page(Request $request, array $lines): array
    {
        $words = mb_strtolower($request->string('q')->trim()->toString());
        if ($words !== '' || $request->boolean('tested')) {
            $isAsked = static fn (array $line): bool => str_contains(mb_strtolower($line['name']), $words) &&
                (! $request->boolean('tested') || $line['workplace'] === 'bench');
            $lines = array_values(array_filter($lines, $isAsked));
        }
        usort(
            $lines,
            static fn (array $a, array $b): int => [$a['workplace'], $a['method_id']] <=> [$b['workplace'], $b['method_id']],
        );
        $at = array_search($request->integer('method'), array_column($lines, 'method_id'), true);
        $pages = max(1, (int) ceil(count($lines) / self::PER_PAGE));
        $page = min($at === false ? $request->integer('page', 1) : intdiv($at, self::PER_PAGE) + 1, $pages);
        $claims = array_merge(...array_map(array_values(...), array_column($lines, 'claims')));

        return [
            'total' => count($lines),
            'more' => false,
            'page' => $page,
            'pages' => $pages,
            'moved' => count(array_filter(array_column($claims, 'moved'))),
            'ended' => count(array_filter(array_column($claims, 'ended'))),
            'computing' => in_array(true, array_column($lines, 'computing'), true),
            'rows' => array_slice($lines, ($page - 1) * self::PER_PAGE, self::PER_PAGE),
        ];
    }

    /**
     * @param array{pairs: int, left_out: int, hash: string, older: string, records: string, verdicts: array{sort: string,
     *     rate: string, track: string}} $summary
     * @param Collection<int, SignedVerdict> $signed
     * @return array<string, array{computed: string, signed: string|null, verdict_id: int|null, moved: bool,
     *     ended: list<string>, silent_on: string}>
     */
    private static function claims(
        array $summary,
        Collection $signed,
        TestMethod $reference,
        VerdictStatus $status,
    ): array {
        $claims = [];
        foreach (['sort', 'rate', 'track'] as $claim) {
            $verdict = $signed->first(
                static fn (SignedVerdict $one): bool => $one->claim === $claim && $one->reference_id === $reference->id,
            );
            $claims[$claim] = [
                'computed' => $summary['verdicts'][$claim],
                'signed' => $verdict?->verdict,
                'verdict_id' => $verdict?->id,
                'moved' => $verdict !== null && Summaries::moved($verdict, $summary),
                'ended' => $verdict === null ? [] : $status->ended($verdict),
                'silent_on' => $verdict === null ? '' : $status->silentOn($verdict),
            ];
        }

        return $claims;
    }
}
