<?php

declare(strict_types=1);

namespace App\Actions\FollowUp;

use App\Database\Values;
use App\Models\Area;
use App\Models\Control;
use App\Models\Reading;
use App\Models\SignedVerdict;
use HonestCore\Agreement\Scale;
use HonestCore\Agreement\Verdict;
use HonestCore\Analyte\Analytes;
use HonestCore\FollowUp\SoilSeries;
use HonestCore\FollowUp\WatchedReading;
use Illuminate\Database\Query\Builder;
use Illuminate\Database\Query\JoinClause;

/** An area and analyte over the years: its rounds, its control's, what was spread, and what tests that watch have read. */
final class SeriesOfArea
{
    public function __construct(private readonly RoundsOfAreas $rounds) {}

    public function of(Area $area, ?string $analyte): AreaSeries
    {
        $area->loadMissing(['groundEvents', 'site']);
        $known = self::analytes($area);
        $code = $analyte !== null && Analytes::get($analyte)->code !== '' ? $analyte : ($known[0] ?? 'ph');
        $controls = array_values(Control::query()->where('area_id', $area->id)->with('ground:id,name')->orderBy('since')->get()->all());
        $history = $area->groundHistory();
        $rounds = $this->rounds->of([$area->id], $code, [$area->id => $history->spreadDays()])[$area->id] ?? [];
        $ofControls = $this->rounds->ofControls($controls, $code);
        $points = static fn (array $of): array => array_values(array_map(static fn (PulledRound $one) => $one->point, $of));
        $last = $rounds[count($rounds) - 1] ?? null;

        return new AreaSeries(
            $area,
            Analytes::get($code),
            $known,
            SoilSeries::of($points($rounds)),
            array_map(static fn (array $of): SoilSeries => SoilSeries::of($points($of)), $ofControls),
            $controls,
            $history->acts,
            self::watched($area, $code),
            $last?->scatter?->words() ?? '',
        );
    }

    /** @return list<string> codes of analytes that labs measured there, pH first */
    private static function analytes(Area $area): array
    {
        $found = Values::texts(
            Reading::query()
                ->whereNotNull('readings.value')
                ->toBase()
                ->join('samples', static fn (JoinClause $on): JoinClause => $on
                    ->on('samples.id', '=', 'readings.sample_id')
                    ->on('samples.team_id', '=', 'readings.team_id'))
                ->join('methods', 'methods.id', '=', 'readings.method_id')
                ->where('samples.area_id', $area->id)
                ->where('methods.workplace', 'lab')
                ->whereNull('methods.school')
                ->distinct()
                ->pluck('methods.analyte'),
        );
        $order = array_keys(Analytes::all());

        return array_values(array_intersect($order, array_diff($found, ['buffer_ph'])));
    }

    /** @return list<WatchedReading> by tests whose track claim was signed as standing and speaks for the reading */
    private static function watched(Area $area, string $analyte): array
    {
        $verdicts = SignedVerdict::standing()
            ->where('claim', 'track')
            ->where('verdict', Verdict::Stands->value)
            ->whereHas('method', static fn ($methods) => $methods->where('analyte', $analyte))
            ->with(['method:id,name', 'policy'])
            ->get(SignedVerdict::LISTED)
            ->filter(static fn (SignedVerdict $one): bool => $one->policy->terms->scale === Scale::Absolute)
            ->keyBy('method_id');
        $readings = Reading::query()
            ->where('readings.flags', '[]')
            ->whereNotNull('readings.value')
            ->whereDoesntHave('correction')
            ->whereIn('readings.method_id', $verdicts->keys()->all())
            ->whereIn('readings.sample_id', static fn (Builder $own): Builder => $own
                ->from('samples')
                ->where('samples.area_id', $area->id)
                ->select('samples.id'))
            ->with('sample:id,code,year,pulled_on')
            ->get();
        $found = [];
        foreach ($readings as $reading) {
            $verdict = $verdicts->get($reading->method_id);
            $claim = $verdict === null ? [] : $verdict->evidence['claim'] ?? [];
            $detectable = is_array($claim) ? $claim['detectable_change'] ?? null : null;
            if ($verdict !== null && is_numeric($detectable) && $verdict->silentOn($reading->lot, $reading->sample->year) === '') {
                $found[] = [
                    'on' => $reading->sample->pulled_on->format('Y-m-d'),
                    'value' => (float) $reading->value,
                    'test' => $verdict->method->name,
                    'code' => $reading->sample->code,
                    'detectable' => (float) $detectable,
                ];
            }
        }

        return WatchedReading::all($found);
    }
}
