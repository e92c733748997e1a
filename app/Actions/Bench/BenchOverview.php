<?php

declare(strict_types=1);

namespace App\Actions\Bench;

use App\Database\Values;
use App\Models\MethodVersion;
use App\Models\Portion;
use App\Models\Reading;
use App\Models\Run;
use App\Models\Site;
use App\Models\TestMethod;
use App\Models\User;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Carbon;

/** What the bench has to do and what its tests have really cost. */
final class BenchOverview
{
    private const PORTIONS = 300;

    public function __construct(private readonly ProbeService $device) {}

    /** @return array<string, mixed> */
    public function __invoke(Site $site): array
    {
        $runs = Run::query()
            ->where('site_id', $site->id)
            ->with('method')
            ->withCount(['tubes', 'readings'])
            ->orderByDesc('id')
            ->limit(60)
            ->get();

        return [
            'open' => array_values($runs->where('state', 'open')->map(self::line(...))->all()),
            'closed' => array_values($runs->where('state', '!=', 'open')->take(12)->map(self::line(...))->all()),
            'methods' => $this->methods(),
            'portions' => $this->portions($site),
            'readers' => array_map(static function (string $name): array {
                $vision = RunBreaks::visionOf($name, Carbon::now());

                return [
                    'name' => $name,
                    'vision' => $vision === null
                            ? null
                            : ['passed' => $vision->passed, 'taken_on' => $vision->taken_on->format('Y-m-d')],
                ];
            }, Values::texts(User::query()->where('team_id', $site->team_id)->orderBy('id')->pluck('name'))),
            'device' => $this->device->isThere(),
            'device_simulated' => $this->device->isSimulated(),
        ];
    }

    /** @return array<string, mixed> */
    private static function line(Run $run): array
    {
        return [
            'id' => $run->id,
            'method' => $run->method->name,
            'state' => $run->state,
            'readers' => $run->readers,
            'tubes' => $run->tubes_count,
            'readings' => $run->readings_count,
            'started_ms' => $run->started_ms,
            'finished_at' => $run->finished_at?->toIso8601ZuluString(),
        ];
    }

    /** @return list<array<string, mixed>> each bench method with what it says it costs and what it really cost */
    private function methods(): array
    {
        $spent = Run::query()
            ->where('state', 'finished')
            ->withCount('readings')
            ->get(['id', 'method_id', 'attention_s', 'elapsed_s', 'cost_cents'])
            ->groupBy('method_id');

        return array_values(
            TestMethod::query()
                ->where('workplace', 'bench')
                ->with(['current', 'lots'])
                ->orderBy('id')
                ->get()
                ->filter(static fn (TestMethod $method): bool => $method->current !== null)
                ->map(static function (TestMethod $method) use ($spent): array {
                    /** @var MethodVersion $version */
                    $version = $method->current;
                    $definition = $version->parsed();
                    /** @var Collection<int, Run> $runs */
                    $runs = $spent->get($method->id) ?? new Collection();
                    $readings = Values::whole($runs->sum('readings_count'));

                    return [
                        'id' => $method->id,
                        'name' => $method->name,
                        'analyte' => $method->analyte,
                        'version' => $version->version,
                        'scale' => MethodShape::scale($definition->scale),
                        'probe' => $definition->probe,
                        'colour' => $definition->colour,
                        'readings_asked' => $definition->readings,
                        'conditions' => $definition->conditions,
                        'celsius' => $definition->celsius,
                        'reagents' => $definition->reagents,
                        'lots' => array_values($method->lots->sortBy('id')->map(MethodShape::lot(...))->all()),
                        'links' => $method->links,
                        'hazards' => $definition->hazards,
                        'by_stokes' => array_filter(
                            array_column(
                                array_map(static fn ($step): array => $step->toArray(), $definition->steps),
                                'stokes_um',
                            ),
                        ) !== [],
                        'cost_cents' => $definition->costCents,
                        'minutes' => $definition->minutes,
                        'runs' => $runs->count(),
                        'kept' => $readings,
                        'spent_cents' => $readings === 0 ? null : Values::number($runs->sum('cost_cents')) / $readings,
                        'spent_minutes' => $readings === 0 ? null : Values::number($runs->sum('attention_s')) / 60 / $readings,
                    ];
                })
                ->all(),
        );
    }

    /**
     * @return list<array{id: int, code: string, kind: string, sample: string, sample_id: int, area: string,
     * read_by: list<int>}> the newest first, with the methods that read each
     */
    private function portions(Site $site): array
    {
        $portions = Portion::query()
            ->where('site_id', $site->id)
            ->whereIn('kind', ['bench', 'archive'])
            ->whereNotNull('sample_id')
            ->with('sample.area:id,name')
            ->orderByDesc('id')
            ->limit(self::PORTIONS)
            ->get();
        $read = Reading::query()
            ->whereIn('portion_id', $portions->pluck('id'))
            ->whereDoesntHave('correction')
            ->get(['portion_id', 'method_id'])
            ->groupBy('portion_id');
        $lines = [];
        foreach ($portions as $portion) {
            if ($portion->sample !== null) {
                $by = $read->get($portion->id);
                $lines[] = [
                    'id' => $portion->id,
                    'code' => $portion->code,
                    'kind' => $portion->kind,
                    'sample' => $portion->sample->code,
                    'sample_id' => $portion->sample->id,
                    'area' => $portion->sample->area->name,
                    'read_by' => $by === null
                            ? []
                            : array_values(
                                array_unique(
                                    array_map(static fn (Reading $reading): int => $reading->method_id, $by->all()),
                                ),
                            ),
                ];
            }
        }

        return $lines;
    }
}
