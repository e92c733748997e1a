<?php

declare(strict_types=1);

namespace App\Actions\Reports;

use App\Actions\Evidence\SamplingSplit;
use App\Models\JudgingPolicy;
use App\Models\LabResult;
use App\Models\Portion;
use App\Models\Reading;
use App\Models\Sample;
use App\Models\TestMethod;
use HonestCore\Agreement\ActionLimits;
use HonestCore\Agreement\Call;
use HonestCore\Agreement\Differences;
use HonestCore\Agreement\Scale;
use HonestCore\Analyte\Analytes;
use HonestCore\Analyte\SoilUnit;
use HonestCore\Reports\DuplicateLimit;
use HonestCore\Reports\ReportedValue;
use HonestCore\Statistics\Spread;
use HonestCore\Table\RuleTable;
use Illuminate\Database\Eloquent\Collection;

/**
 * All that was read of one analyte, composite by composite: kits, pens and labs, each series for itself, with the
 * action limits
 * of what grows there.
 *
 * @phpstan-type Mark array{method_id: int, from: float|null, to: float|null, value: float|null,
 *     uncertainty: float|null, shown: string, said: string, read_on: string, left_out: list<string>, call: int|null, close: bool,
 *     calls: list<int>}
 */
final class SideBySide
{
    /** The newest composites: a lab may have read tens of thousands. */
    private const SHOWN = 300;

    /** Repeats that a spread of a test's own needs before it is used. */
    private const LEAST_DEGREES = 5;

    /** @var array<int, float|null> expanded uncertainty by method, as a share on the ratio scale */
    private array $uncertainty = [];

    /** @var array<int, float> that of a lab with the sampling in it, where duplicates told */
    private array $sampled = [];

    public function __construct(private readonly SamplingSplit $sampling) {}

    /** @return array<string, mixed> */
    public function __invoke(string $analyte, ?int $area): array
    {
        $methods = TestMethod::query()
            ->where('analyte', $analyte)
            ->orderByDesc('workplace')
            ->orderBy('id')
            ->get()
            ->keyBy('id');
        $policy = JudgingPolicy::query()->where('analyte', $analyte)->orderByDesc('version')->first();
        $read = Reading::query()->whereIn('method_id', $methods->modelKeys())->select('sample_id');
        $said = LabResult::query()
            ->whereIn('lab_results.method_id', $methods->modelKeys())
            ->where('lab_results.kind', '!=', ReportedValue::NUMBER)
            ->whereNull('lab_results.superseded_by');
        $saidOf = Portion::query()
            ->whereIn('id', (clone $said)->select('lab_results.portion_id'))
            ->whereNotNull('sample_id')
            ->select('sample_id');
        $all = Sample::query()
            ->when($area !== null, static fn ($query) => $query->where('area_id', $area))
            ->where(static fn ($query) => $query->whereIn('id', $read)->orWhereIn('id', $saidOf));
        $total = (clone $all)->count();
        $samples = $all->with('area')->orderByDesc('year')->orderByDesc('number')->limit(self::SHOWN)->get();
        $readings = Reading::query()
            ->whereIn('method_id', $methods->modelKeys())
            ->whereIn('sample_id', $samples->modelKeys())
            ->whereDoesntHave('correction')
            ->orderBy('id')
            ->get();
        $others = $said
            ->whereIn(
                'lab_results.portion_id',
                Portion::query()->whereIn('sample_id', $samples->modelKeys())->select('id'),
            )
            ->with(['portion:id,sample_id', 'report:id,read_on'])
            ->get();
        $this->learn($methods, $readings);
        $bySample = $readings->groupBy('sample_id');
        $othersBySample = $others->groupBy('portion.sample_id');
        $rows = [];
        foreach ($samples as $sample) {
            $limits = $policy?->limitsFor($sample->area->use);
            $marks = [
                ...array_map(
                    fn (Reading $reading): array => $this->ofReading(
                        $reading,
                        $methods->find($reading->method_id) ?? throw new \LogicException('A reading has its method.'),
                        $limits,
                    ),
                    array_values(($bySample[$sample->id] ?? collect())->all()),
                ),
                ...array_map(
                    fn (LabResult $result): array => $this->ofResult(
                        $result,
                        $methods->find($result->method_id) ?? throw new \LogicException('A result has its method.'),
                        $limits,
                    ),
                    array_values(($othersBySample[$sample->id] ?? collect())->all()),
                ),
            ];
            $rows[] = [
                'sample_id' => $sample->id,
                'code' => $sample->code,
                'area' => $sample->area->name,
                'area_id' => $sample->area_id,
                'crop' => $sample->area->crop()->name,
                'depth' => $sample->depth,
                'pulled_on' => $sample->pulled_on->format('Y-m-d'),
                'limits' => $limits->values ?? [],
                'marks' => $marks,
                'state' => self::state($marks, $limits),
            ];
        }
        $used = array_unique([...$readings->pluck('method_id')->all(), ...$others->pluck('method_id')->all()]);

        return [
            'total' => $total,
            'analyte' => $analyte,
            'name' => Analytes::name($analyte),
            'unit' => SoilUnit::home($analyte)->code ?? '',
            'digits' => Analytes::find($analyte)->digits ?? 2,
            'actions' => $policy->terms->actions ?? [],
            'ratio' => $policy?->terms->scale === Scale::Ratio,
            'limits_of' => TestMethod::extractantOf($analyte),
            'series' => array_values(
                $methods->whereIn('id', $used)->map(fn (TestMethod $method): array => $this->series($method))->all(),
            ),
            'rows' => $rows,
            'labs' => $this->labs($methods, $samples, $bySample, $policy),
        ];
    }

    /** @return list<array{code: string, name: string, readings: int}> analytes that anything was read of */
    public static function analytes(): array
    {
        $counts = Reading::query()
            ->toBase()
            ->join('methods', 'methods.id', '=', 'readings.method_id')
            ->groupBy('methods.analyte')
            ->selectRaw('methods.analyte as code, count(*) as readings')
            ->pluck('readings', 'code')
            ->all();
        $known = array_values(
            array_filter(
                array_keys($counts),
                static fn (int|string $code): bool => SoilUnit::home((string) $code) !== null,
            ),
        );
        $order = array_keys(Analytes::all());
        usort(
            $known,
            static fn (int|string $a, int|string $b): int => [$counts[$b], array_search($a, $order, true)] <=> [
                $counts[$a],
                array_search($b, $order, true),
            ],
        );

        return array_map(
            static fn (int|string $code): array => [
                'code' => (string) $code,
                'name' => Analytes::name((string) $code),
                'readings' => (int) $counts[$code],
            ],
            $known,
        );
    }

    /**
     * The stated uncertainty of each method; where there is none, that of a test's own repeats, or what labs usually
     * repeat to.
     *
     * @param Collection<int, TestMethod> $methods
     * @param Collection<int, Reading> $readings
     */
    private function learn(Collection $methods, Collection $readings): void
    {
        $this->uncertainty = $this->sampled = [];
        foreach ($methods->where('workplace', 'lab') as $lab) {
            $found = $this->sampling->of($lab)['expanded'];
            if ($found !== null) {
                $this->sampled[$lab->id] = max($found, $lab->uncertainty ?? 0.0);
            }
        }
        foreach ($methods as $method) {
            if ($method->uncertainty !== null || $method->workplace === 'lab' || $method->bands !== null) {
                continue;
            }
            [$sum, $degrees] = [0.0, 0];
            foreach ($readings->where('method_id', $method->id)->groupBy('sample_id') as $own) {
                $values = array_values(
                    array_filter(
                        $own->filter(static fn (Reading $one): bool => $one->flags === [])->pluck('value')->all(),
                        is_float(...),
                    ),
                );
                if (count($values) > 1) {
                    $sum += Spread::sumOfSquares($values);
                    $degrees += count($values) - 1;
                }
            }
            if ($degrees >= self::LEAST_DEGREES) {
                $this->uncertainty[$method->id] = 2 * sqrt($sum / $degrees);
            }
        }
    }

    private function uncertaintyOf(TestMethod $method, float $value): ?float
    {
        return $this->sampled[$method->id] ??
            ($method->uncertainty ??
                ($this->uncertainty[$method->id] ??
                    ($method->workplace === 'lab'
                        ? (2 * DuplicateLimit::limit($method->analyte, $value, $value)) / 2.8
                        : null)));
    }

    /**
     * @return array{id: int, name: string, workplace: string, extractant: string, instrument: string, banded: bool,
     * uncertainty: float|null, uncertainty_from: string, limits_hold: bool}
     */
    private function series(TestMethod $method): array
    {
        return [
            'id' => $method->id,
            'name' => $method->name,
            'workplace' => $method->workplace,
            'extractant' => $method->extractant,
            'instrument' => $method->instrument,
            'banded' => $method->bands !== null,
            'uncertainty' => $this->sampled[$method->id] ?? ($method->uncertainty ?? ($this->uncertainty[$method->id] ?? null)),
            'uncertainty_from' => isset($this->sampled[$method->id])
                ? 'sampling'
                : ($method->uncertainty !== null
                    ? 'stated'
                    : (isset($this->uncertainty[$method->id])
                        ? 'repeats'
                        : ($method->workplace === 'lab'
                            ? 'usual'
                            : 'unknown'))),
            'limits_hold' => $this->limitsHold($method),
        ];
    }

    /** Limits that were made for one extractant say nothing of another. */
    private function limitsHold(TestMethod $method): bool
    {
        $of = TestMethod::extractantOf($method->analyte);

        return $of === '' || $method->workplace !== 'lab' || $method->extractant === $of;
    }

    /** @return Mark */
    private function ofReading(Reading $reading, TestMethod $method, ?ActionLimits $limits): array
    {
        $breaks = RuleTable::named('protocol-breaks')['breaks'];
        $flags = array_map(
            static fn (string $flag): string => is_array($breaks) && is_string($breaks[$flag] ?? null)
                ? $breaks[$flag]
                : $flag,
            $reading->flags,
        );
        $common = ['method_id' => $method->id, 'read_on' => $reading->read_on->format('Y-m-d'), 'left_out' => $flags];
        $band = $reading->band === null ? null : $method->scale()?->named($reading->band);
        if ($band !== null) {
            $other = $reading->between === null ? null : $method->scale()?->named($reading->between);
            [$from, $to] = [min($band->lower, $other->lower ?? INF), max($band->upper, $other->upper ?? -INF)];
            // The band's end belongs to the next band: a limit on it is not crossed.
            $call = $limits === null ? null : Call::ofInterval($from, max($from, $to - 1e-6), $limits);

            $called = self::called($call, $method, $this->limitsHold($method));
            // An open band that a limit cuts is not close to it: it cannot tell, wherever the soil lies.
            $called['close'] = $called['close'] && is_finite($from) && is_finite($to);

            return $common +
                $called + [
                    'value' => null,
                    'uncertainty' => null,
                    'shown' => $band->name.($other === null ? '' : " to {$other->name}"),
                    'said' => 'band',
                ] + ['from' => is_finite($from) ? $from : null, 'to' => is_finite($to) ? $to : null];
        }
        $value = $reading->value ?? NAN;
        $uncertainty = is_finite($value) ? $this->uncertaintyOf($method, $value) : null;
        $call = $limits === null || ! is_finite($value) ? null : Call::ofValue($value, $uncertainty, $limits);

        return $common +
            self::called($call, $method, $this->limitsHold($method)) + [
                'value' => $reading->value,
                'uncertainty' => $uncertainty,
                'shown' => $reading->as_reported,
                'said' => 'number',
                'from' => $uncertainty === null ? $reading->value : $value - $uncertainty,
                'to' => $uncertainty === null ? $reading->value : $value + $uncertainty,
            ];
    }

    /** @return Mark a result that is no single number: below or above a figure, a range, a trace, a rating */
    private function ofResult(LabResult $result, TestMethod $method, ?ActionLimits $limits): array
    {
        [$from, $to] = match ($result->kind) {
            'below' => [-INF, $result->value ?? NAN],
            'above' => [$result->value ?? NAN, INF],
            'range' => [$result->value ?? NAN, $result->upper ?? NAN],
            default => [NAN, NAN],
        };
        $call =
            $limits === null || is_nan($from) || is_nan($to) || $from > $to
                ? null
                : Call::ofInterval($from, $to, $limits);

        return [
            'method_id' => $method->id,
            'read_on' => $result->report->read_on?->format('Y-m-d') ?? '',
            'left_out' => $result->excluded === '' ? [] : [$result->excluded],
        ] +
            self::called($call, $method, $this->limitsHold($method)) + [
                'value' => null,
                'uncertainty' => null,
                'shown' => trim("{$result->as_reported} {$result->unit}"),
                'said' => $result->kind,
                'from' => is_finite($from) ? $from : null,
                'to' => is_finite($to) ? $to : null,
            ];
    }

    /** @return array{call: int|null, close: bool, calls: list<int>} */
    private static function called(?Call $call, TestMethod $method, bool $limitsHold): array
    {
        return $call === null || ! $limitsHold
            ? ['call' => null, 'close' => false, 'calls' => []]
            : ['call' => $call->class(), 'close' => $call->isTooClose(), 'calls' => $call->classes];
    }

    /**
     * What all that counts says together: one action, several, or too close to call.
     *
     * @param list<Mark> $marks
     */
    private static function state(array $marks, ?ActionLimits $limits): string
    {
        $heard = array_values(
            array_filter($marks, static fn (array $mark): bool => $mark['left_out'] === [] && $mark['calls'] !== []),
        );
        if ($limits === null || $heard === []) {
            return 'unknown';
        }
        foreach ($heard as $i => $one) {
            foreach (array_slice($heard, $i + 1) as $other) {
                if (array_intersect($one['calls'], $other['calls']) === []) {
                    return 'differ';
                }
            }
        }

        $close = array_filter($heard, static fn (array $mark): bool => $mark['close']);

        return match (true) {
            array_filter($heard, static fn (array $mark): bool => $mark['call'] !== null) === [] => 'close',
            $close === [] => 'same',
            default => 'partly',
        };
    }

    /**
     * Labs beside labs, by the same extractant and instrument alone.
     *
     * @param Collection<int, TestMethod> $methods
     * @param Collection<int, Sample> $samples
     * @param \Illuminate\Support\Collection<int|string, Collection<int, Reading>> $bySample
     * @return list<array<string, mixed>>
     */
    private function labs(
        Collection $methods,
        Collection $samples,
        \Illuminate\Support\Collection $bySample,
        ?JudgingPolicy $policy,
    ): array {
        $labs = array_values($methods->where('workplace', 'lab')->all());
        $scale = $policy->terms->scale ?? Scale::Absolute;
        $pairs = [];
        foreach ($labs as $i => $one) {
            foreach (array_slice($labs, $i + 1) as $other) {
                if (
                    $one->extractant !== $other->extractant ||
                    $one->instrument !== $other->instrument ||
                    $one->school !== $other->school
                ) {
                    continue;
                }
                [$x, $y, $same, $close] = [[], [], 0, 0];
                foreach ($samples as $sample) {
                    $of = static fn (TestMethod $method): array => array_values(
                        array_filter(
                            ($bySample[$sample->id] ?? collect())
                                ->filter(
                                    static fn (Reading $reading): bool => $reading->method_id === $method->id &&
                                        $reading->flags === [],
                                )
                                ->pluck('value')
                                ->all(),
                            is_float(...),
                        ),
                    );
                    [$a, $b] = [$of($one), $of($other)];
                    if ($a === [] || $b === []) {
                        continue;
                    }
                    [$a, $b] = [Spread::mean($a), Spread::mean($b)];
                    $limits = $policy?->limitsFor($sample->area->use);
                    if ($limits !== null) {
                        $same += $limits->classOfComputed($a) === $limits->classOfComputed($b) ? 1 : 0;
                        $close +=
                            Call::ofValue($a, $this->uncertaintyOf($one, $a), $limits)->isTooClose() ||
                            Call::ofValue($b, $this->uncertaintyOf($other, $b), $limits)->isTooClose()
                                ? 1
                                : 0;
                    }
                    if ($scale === Scale::Absolute || ($a > 0 && $b > 0)) {
                        $x[] = $scale->of($a);
                        $y[] = $scale->of($b);
                    }
                }
                if ($x !== []) {
                    $differences = Differences::between($x, $y, 0.95);
                    $pairs[] = [
                        'one' => $one->name,
                        'other' => $other->name,
                        'n' => count($x),
                        'mean' => $differences->mean,
                        'lower' => $differences->lower,
                        'upper' => $differences->upper,
                        'same' => $policy === null ? null : $same,
                        'close' => $policy === null ? null : $close,
                    ];
                }
            }
        }

        return $pairs;
    }
}
