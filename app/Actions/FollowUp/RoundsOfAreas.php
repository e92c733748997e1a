<?php

declare(strict_types=1);

namespace App\Actions\FollowUp;

use App\Actions\Evidence\SamplingSplit;
use App\Actions\Reports\AskQuestions;
use App\Database\Values;
use App\Models\Control;
use App\Models\JudgingPolicy;
use App\Models\Lab;
use App\Models\Plan;
use App\Models\Reading;
use App\Models\TestMethod;
use HonestCore\Agreement\Scale;
use HonestCore\FollowUp\ResultScatter;
use HonestCore\FollowUp\SeriesPoint;
use HonestCore\Quantity\DepthLayer;
use HonestCore\Statistics\Spread;
use HonestCore\Table\Fields;
use HonestCore\Table\RuleTable;
use HonestCore\Variance\SamplingFigures;
use Illuminate\Database\Query\Builder;
use Illuminate\Database\Query\JoinClause;

/**
 * The rounds of areas for one analyte, as labs measured them: composites of one layer, lab and month together. Parts that a plan
 * laid out are plots under a name that the same layout gives again.
 */
final class RoundsOfAreas
{
    /** @var array<int, SamplingFigures> */
    private array $figures = [];

    /** @var array<string, bool> analytes that are compared as ratios */
    private array $ratio = [];

    /** @var array<int, TestMethod> */
    private array $methods = [];

    /** @var array<int, string>|null */
    private ?array $labs = null;

    /** @var array<int, array<int, string>> by plan and composite */
    private array $plots = [];

    /** @var array<int, true>|null */
    private ?array $doubted = null;

    public function __construct(private readonly SamplingSplit $sampling) {}

    /**
     * @param list<int> $areas
     * @param array<int, list<string>> $spreadOn by area: days on which something was spread, which part a round
     * @return array<int, list<PulledRound>> by area, the soonest first; what was said to come from a control is not among them
     */
    public function of(array $areas, string $analyte, array $spreadOn): array
    {
        $rows = $this->rows(static fn (Builder $query): Builder => $query->whereIn('samples.area_id', $areas)->whereNotExists(
            static fn (Builder $control): Builder => $control
                ->from('control_samples')
                ->whereColumn('control_samples.sample_id', 'samples.id'),
        ), $analyte);
        $this->learn($rows);
        $by = [];
        foreach ($rows as $row) {
            $by[$row->area][] = $row;
        }

        $rounds = [];
        foreach ($by as $area => $own) {
            $rounds[$area] = $this->rounds($own, $analyte, $spreadOn[$area] ?? []);
        }

        return $rounds;
    }

    /**
     * @param list<Control> $controls
     * @return array<int, list<PulledRound>> by control
     */
    public function ofControls(array $controls, string $analyte): array
    {
        $grounds = array_values(array_filter(array_map(static fn (Control $one): ?int => $one->control_area_id, $controls)));
        $own = $grounds === [] ? [] : $this->of($grounds, $analyte, []);
        $named = $this->rows(static fn (Builder $query): Builder => $query
            ->join('control_samples', 'control_samples.sample_id', '=', 'samples.id')
            ->whereIn('control_samples.control_id', array_map(static fn (Control $one): int => $one->id, $controls))
            ->addSelect('control_samples.control_id'), $analyte);
        $this->learn($named);
        $by = [];
        foreach ($named as $row) {
            $by[$row->control][] = $row;
        }
        $found = [];
        foreach ($controls as $control) {
            $found[$control->id] = [
                ...$control->control_area_id === null ? [] : $own[$control->control_area_id] ?? [],
                ...$this->rounds($by[$control->id] ?? [], $analyte, []),
            ];
        }

        return $found;
    }

    /**
     * @param \Closure(Builder): Builder $which
     * @return list<MeasuredComposite>
     */
    private function rows(\Closure $which, string $analyte): array
    {
        $this->doubted ??= AskQuestions::doubted();
        $query = Reading::query()
            ->where('readings.flags', '[]')
            ->whereNotNull('readings.value')
            ->whereDoesntHave('correction')
            ->toBase()
            ->join('samples', static fn (JoinClause $on): JoinClause => $on
                ->on('samples.id', '=', 'readings.sample_id')
                ->on('samples.team_id', '=', 'readings.team_id'))
            ->join('methods', 'methods.id', '=', 'readings.method_id')
            ->where('methods.workplace', 'lab')
            ->where('methods.analyte', $analyte)
            ->whereNull('methods.school')
            ->orderBy('samples.pulled_on')
            ->orderBy('readings.id')
            ->select([
                'readings.id', 'readings.value', 'readings.method_id', 'samples.area_id', 'samples.plan_id', 'samples.composite',
                'samples.pulled_on', 'samples.depth', 'samples.code', 'samples.cores_pulled',
            ]);
        $rows = [];
        foreach ($which($query)->get() as $row) {
            if (! isset($this->doubted[Values::whole($row->id)]) && DepthLayer::parse(Values::text($row->depth))->topCm === 0.0) {
                $rows[] = MeasuredComposite::of($row);
            }
        }

        return $rows;
    }

    /**
     * @param list<MeasuredComposite> $rows the soonest first
     * @param list<string> $spreadOn
     * @return list<PulledRound>
     */
    private function rounds(array $rows, string $analyte, array $spreadOn): array
    {
        $days = (new Fields(RuleTable::named('follow-up')))->whole('round_days');
        $groups = $open = [];
        foreach ($rows as $row) {
            $key = "{$row->method} {$row->depth}";
            $first = isset($open[$key]) ? $groups[$open[$key]][0] : null;
            $within = $first !== null &&
                $row->on <= (new \DateTimeImmutable($first->on))->modify("+{$days} days")->format('Y-m-d') &&
                array_filter($spreadOn, static fn (string $day): bool => $first->on <= $day && $day < $row->on) === [];
            if (! $within) {
                $open[$key] = count($groups);
            }
            $groups[$open[$key]][] = $row;
        }

        return array_values(array_map(fn (array $group): PulledRound => $this->round($group, $analyte), $groups));
    }

    /**
     * Methods, labs and plots of all that will be asked, fetched at once.
     *
     * @param list<MeasuredComposite> $rows
     */
    private function learn(array $rows): void
    {
        $methods = array_values(array_unique(array_map(static fn (MeasuredComposite $one): int => $one->method, $rows)));
        $this->methods += TestMethod::ofLabs(array_values(array_diff($methods, array_keys($this->methods))));
        $this->labs ??= Lab::query()->pluck('name', 'id')->map(Values::text(...))->all();
        $this->plots += $this->plotsOf($rows);
    }

    /** @param non-empty-list<MeasuredComposite> $group */
    private function round(array $group, string $analyte): PulledRound
    {
        $values = [];
        foreach ($group as $row) {
            $values[$this->plots[$row->plan][$row->composite] ?? $row->code][] = $row->value;
        }
        $means = array_map(Spread::mean(...), $values);
        $last = $group[count($group) - 1];
        $method = $this->methods[$last->method];
        $scatter = $this->scatter($method, $analyte, Spread::mean(array_values($means)), $last->cores);

        return new PulledRound(
            new SeriesPoint(
                $last->on,
                $means,
                $scatter?->u($last->cores),
                $method->name,
                $this->labs[$method->lab_id ?? 0] ?? $method->name,
                $method->extractant,
                $last->depth,
                array_values(array_unique(array_map(static fn (MeasuredComposite $one): string => $one->code, $group))),
            ),
            $scatter,
            $last->cores,
        );
    }

    private function scatter(TestMethod $method, string $analyte, float $value, int $cores): ?ResultScatter
    {
        $isRatio = $this->ratio[$analyte] ??= JudgingPolicy::newest($analyte)?->policy()->scale === Scale::Ratio;
        $figures = $isRatio
            ? SamplingFigures::of([], [], null)
            : $this->figures[$method->id] ??= $this->sampling->of($method);
        $stated = $method->uncertainty === null ? null : $method->uncertainty * ($isRatio ? $value : 1.0);

        return ResultScatter::of($analyte, $figures, $stated, $value, $cores);
    }

    /**
     * Names of plots: those of one plan in parts by the part, the duplicate of a part with it; none where a plan has one composite.
     *
     * @param list<MeasuredComposite> $rows
     * @return array<int, array<int, string>> by plan and composite
     */
    private function plotsOf(array $rows): array
    {
        $ids = array_values(array_unique(array_map(static fn (MeasuredComposite $one): int => $one->plan, $rows)));
        $plots = [];
        foreach (Plan::query()->whereKey($ids)->where('composites', '>', 1)->get(['id', 'spec', 'boundary', 'layout']) as $plan) {
            $layout = substr(hash('sha256', json_encode(
                [$plan->spec->cellAcres, $plan->spec->zones, $plan->boundary],
                JSON_THROW_ON_ERROR,
            )), 0, 8);
            $doubles = $plan->layout->doubles();
            foreach ($plan->layout->composites as $one) {
                $plots[$plan->id][$one->number] = $plan->spec->parts()
                    ? 'part '.($doubles[$one->number] ?? $one->number)." of {$layout}"
                    : "plan {$plan->id}";
            }
        }

        return $plots;
    }
}
