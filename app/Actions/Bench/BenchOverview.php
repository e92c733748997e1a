<?php

declare(strict_types=1);

namespace App\Actions\Bench;

use App\Database\Values;
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

    public function __invoke(Site $site): BenchView
    {
        $runs = Run::query()
            ->where('site_id', $site->id)
            ->with('method')
            ->withCount(['tubes', 'readings'])
            ->orderByDesc('id')
            ->limit(60)
            ->get();
        $readers = [];
        foreach (User::query()->where('team_id', $site->team_id)->orderBy('id')->pluck('name') as $name) {
            $name = Values::text($name);
            $readers[$name] = RunBreaks::visionOf($name, Carbon::now());
        }

        return new BenchView(
            array_values($runs->where('state', 'open')->all()),
            array_values($runs->where('state', '!=', 'open')->take(12)->all()),
            $this->methods(),
            $this->portions($site),
            $readers,
            $this->device->isThere(),
            $this->device->isSimulated(),
        );
    }

    /** @return list<BenchMethod> */
    private function methods(): array
    {
        $spent = Run::query()
            ->where('state', 'finished')
            ->withCount('readings')
            ->get(['id', 'method_id', 'attention_s', 'elapsed_s', 'cost_cents'])
            ->groupBy('method_id');
        $methods = [];
        foreach (
            TestMethod::query()->where('workplace', 'bench')->with(['current', 'lots'])->orderBy('id')->get() as $method
        ) {
            $runs = $spent->get($method->id) ?? new Collection();
            if ($method->current !== null) {
                $methods[] = new BenchMethod(
                    $method,
                    $method->current,
                    $runs->count(),
                    Values::whole($runs->sum('readings_count')),
                    Values::number($runs->sum('cost_cents')),
                    Values::number($runs->sum('attention_s')),
                );
            }
        }

        return $methods;
    }

    /** @return list<BenchPortion> the newest first */
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
        $read = [];
        foreach (
            Reading::query()
                ->whereIn('portion_id', $portions->pluck('id'))
                ->whereDoesntHave('correction')
                ->get(['portion_id', 'method_id']) as $reading
        ) {
            $read[$reading->portion_id][$reading->method_id] = $reading->method_id;
        }
        $found = [];
        foreach ($portions as $portion) {
            if ($portion->sample !== null) {
                $found[] = new BenchPortion($portion, $portion->sample, array_values($read[$portion->id] ?? []));
            }
        }

        return $found;
    }
}
