<?php

declare(strict_types=1);

namespace App\Actions\Decide;

use App\Actions\Evidence\Evidence;
use App\Actions\Evidence\GatherEvidence;
use App\Actions\Evidence\Pair;
use App\Actions\Evidence\SamplingSplit;
use App\Database\Values;
use App\Exceptions\Conflict;
use App\Models\Lab;
use App\Models\Run;
use App\Models\TestMethod;
use HonestCore\Agreement\Call;
use HonestCore\Agreement\Scale;
use HonestCore\Error\CoreError;
use HonestCore\Strategy\Costs;
use HonestCore\Strategy\LabError;
use HonestCore\Strategy\Strategies;
use HonestCore\Strategy\StrategyOutcome;
use HonestCore\Strategy\Witness;
use HonestCore\Table\RuleTable;

/** Mixes of tests for the next season, compared on the evidence there is of one test. */
final class WeighStrategies
{
    public function __construct(private readonly GatherEvidence $gather, private readonly SamplingSplit $sampling) {}

    /**
     * @param array{lab_fee: float, lab_minutes: float, test_fee: float, test_minutes: float, hour: float,
     *     under: float, over: float, drift: float} $asked
     * @return array<string, mixed>
     */
    public function __invoke(TestMethod $test, array $asked): array
    {
        $untested = $this->gather->untested($test);
        if ($untested !== null) {
            throw Conflict::because('not_judged', test: $test->name, why: $untested);
        }
        $evidence = ($this->gather)($test);
        $expanded = $this->sampling->expanded($evidence->reference);
        $testSd = $test->bands === null ? $evidence->assessment()->track->repeatability->sd : null;
        $own = $testSd === null ? 0.0 : 2 * $testSd;
        $whole = ($expanded ?? 0.0) / 2;
        $absolute = $evidence->policy->policy()->scale === Scale::Absolute;
        try {
            $found = Strategies::compare(
                array_map(
                    static fn (Pair $pair): Witness => new Witness(
                        $pair->reference,
                        $pair->testClass(),
                        self::isClose($pair, $own),
                        $pair->limits,
                        $absolute ? $pair->test() : null,
                    ),
                    $evidence->counted(),
                ),
                Costs::of(
                    $asked['lab_fee'],
                    $asked['lab_minutes'],
                    $asked['test_fee'],
                    $asked['test_minutes'],
                    $asked['hour'],
                    $asked['under'],
                    $asked['over'],
                ),
                LabError::ofWhole($whole, $evidence->referenceSd() ?? $whole),
                $testSd,
                $asked['drift'],
                crc32($evidence->hash()->value),
            );
        } catch (CoreError $error) {
            throw Conflict::because('too_few_pairs', test: $test->name, why: $error->forPeople());
        }

        return [
            'method' => $test->name,
            'reference' => $evidence->reference->name,
            'pairs' => count($evidence->counted()),
            'actions' => $evidence->policy->terms->actions,
            'lab_uncertainty' => $expanded,
            'test_sd' => $testSd,
            'outcomes' => array_map(static fn (StrategyOutcome $one): array => $one->toArray(), $found['outcomes']),
            'cheapest' => $found['cheapest'],
            'sure' => $found['sure'],
            'turns' => $found['turns'],
            'words' => self::words($evidence, $testSd),
        ];
    }

    /**
     * @return array{lab_fee: float, lab_minutes: float, test_fee: float, test_minutes: float} what the records say of
     *                                                                                         fees and attention, to begin with
     */
    public static function usual(TestMethod $test): array
    {
        /**
         * @var array{lab_fee: float|int, lab_minutes: float|int, test_fee: float|int, test_minutes: float|int} $usual
         */
        $usual = RuleTable::named('strategy');
        $run = Run::query()
            ->where('method_id', $test->id)
            ->whereNotNull('finished_at')
            ->with('tubes')
            ->latest('id')
            ->first();
        $tubes = max(1, $run?->tubes->count() ?? 1);
        [$cents, $attention] = [(float) $run?->cost_cents, (float) $run?->attention_s];
        $fees = Lab::query()
            ->orderBy('id')
            ->get()
            ->flatMap(
                static fn (Lab $lab): array => array_filter(
                    $lab->tests,
                    static fn (array $offered): bool => $offered['code'] === $test->analyte,
                ),
            )
            ->pluck('fee_cents');

        return [
            'lab_fee' => $fees->isEmpty() ? (float) $usual['lab_fee'] : round(Values::number($fees->first()) / 100, 2),
            'lab_minutes' => (float) $usual['lab_minutes'],
            'test_fee' => $cents > 0 ? round($cents / 100 / $tubes, 2) : (float) $usual['test_fee'],
            'test_minutes' => $attention > 0 ? max(0.5, round($attention / 60 / $tubes, 1)) : (float) $usual['test_minutes'],
        ];
    }

    private static function isClose(Pair $pair, float $expanded): bool
    {
        $band = $pair->band();
        if ($band !== null) {
            return $band->isCutBy($pair->limits);
        }

        return Call::ofValue($pair->paired->test(), $expanded, $pair->limits)->isTooClose();
    }

    /** @return list<string> */
    private static function words(Evidence $evidence, ?float $testSd): array
    {
        return [
            'The areas to come are taken to be like the '.
            count($evidence->counted()).
            ' composites of the evidence.',
            ...$testSd === null
                ? [
                    'Without numbers that were read twice, the test cannot be said to see a change: that strategy '.
                        'is left out.',
                ]
                : [],
            $evidence->policy->policy()->scale === Scale::Absolute
                ? 'What is true of each is weighed from lab and test together, so that the lab\'s own error is counted once.'
                : 'What is true of each is taken from the lab alone.',
            'Intervals are of the evidence weighted anew, with one composite more that nobody has seen; they leave out what '.
                'the stated costs may be wrong by.',
        ];
    }
}
