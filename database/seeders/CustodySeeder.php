<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Actions\Custody\SplitOff;
use App\Actions\Custody\WriteLines;
use App\Actions\Labs\Pack;
use App\Actions\Labs\Send;
use App\Models\CheckSoil;
use App\Models\Consignment;
use App\Models\Lab;
use App\Models\Plan;
use App\Models\Portion;
use App\Models\Sample;
use App\Models\User;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Carbon;

/** The ways of the demo's portions: three consignments that were reported, one that is late, and shelves. */
final class CustodySeeder
{
    public function __construct(
        private readonly WriteLines $write,
        private readonly Pack $pack,
        private readonly Send $send,
        private readonly SplitOff $split,
    ) {}

    public function __invoke(User $technician): void
    {
        foreach (QuillHollow::LABS as $name => $lab) {
            Lab::query()->firstOrCreate(['name' => $name], ['holidays' => QuillHollow::HOLIDAYS] + $lab);
        }
        CheckSoil::query()->create([
            'name' => 'Barn loess, batch 2',
            'known' => ['ph' => ['value' => 6.2, 'uncertainty' => 0.1]],
            'note' => 'Dried, ground and mixed in one go; measured nine times.',
        ]);
        $fennick = Lab::query()->where('service', true)->firstOrFail();
        foreach (
            Sample::query()
                ->orderBy('id')
                ->get()
                ->groupBy(static fn (Sample $sample): string => $sample->pulled_on->format('Y-m')) as $samples
        ) {
            $this->season($technician, $fennick, $samples);
        }
        $this->late($technician);
        Plan::withoutTimestamps(
            static fn (): bool => Plan::query()
                ->latest('id')
                ->firstOrFail()
                ->update(['pull_on' => '2026-11-27']),
        );
    }

    /** @param Collection<int, Sample> $samples of one round */
    private function season(User $technician, Lab $lab, Collection $samples): void
    {
        $last = Carbon::parse($samples->max('pulled_on'));
        foreach ($samples as $sample) {
            $own = Portion::query()->where('sample_id', $sample->id)->orderBy('id')->get();
            $this->at(
                $sample->pulled_on->copy()->setTime(20, 30),
                $technician,
                $own,
                'drying',
                'Drying tray '.(1 + ($sample->number % 3)),
            );
            $this->at($sample->pulled_on->copy()->addDay()->setTime(14, 10), $technician, $own, 'dried');
            $bench = $own->where('kind', 'bench');
            $this->at($sample->pulled_on->copy()->addDays(2)->setTime(15, 0), $technician, $bench, 'measured', 'Bench');
            $this->at(
                $sample->pulled_on->copy()->addDays(2)->setTime(17, 0),
                $technician,
                $bench,
                'shelved',
                'Shelf B, box '.(1 + intdiv($sample->number, 8)),
            );
        }
        $portions = Portion::query()
            ->whereIn('sample_id', $samples->modelKeys())
            ->where('kind', 'lab')
            ->orderBy('id')
            ->get();
        $portions->each(static fn (Portion $portion) => $portion->update(['volume_ml' => 450]));
        Carbon::setTestNow($last->copy()->addDay()->setTime(16, 0));
        $consignment = ($this->pack)(
            $technician,
            $lab,
            self::asked($portions, ['ph', 'mehlich', 'smp']),
            ['Crop wanted' => 'see list', 'Last limed' => 'not since 2021'],
            "demo-{$lab->id}-{$last->format('Y-m')}",
        );
        Carbon::setTestNow($last->copy()->addDays(2)->setTime(13, 0));
        $consignment->update(['sent_at' => now(), 'carrier' => 'Hollow carriers']);
        $this->at(Carbon::now(), $technician, $portions, 'sent', 'Hollow carriers');
        $consignment->update(['expected_on' => $last->copy()->addDays(14)->format('Y-m-d')]);
        $this->at($last->copy()->addDays(4)->setTime(13, 30), $technician, $portions, 'arrived', $lab->name);
        $this->at($last->copy()->addDays(11)->setTime(13, 30), $technician, $portions, 'measured', $lab->name);
        $this->at($last->copy()->addDays(12)->setTime(13, 30), $technician, $portions, 'reported', $lab->name);
    }

    /** A second opinion that is long in coming. */
    private function late(User $technician): void
    {
        $lab = Lab::query()->where('service', false)->firstOrFail();
        Carbon::setTestNow('2026-10-26 13:00:00');
        $portions = Sample::query()
            ->with('site')
            ->orderByDesc('id')
            ->limit(2)
            ->get()
            ->map(
                fn (Sample $sample): Portion => $this->split->sample(
                    $technician,
                    $sample,
                    'lab_b',
                    Carbon::now(),
                    350,
                    ['ph', 'mehlich'],
                    'dried',
                ),
            );
        $consignment = ($this->pack)(
            $technician,
            $lab,
            self::asked(new Collection($portions->all()), ['ph', 'mehlich']),
            ['Permit number' => 'W-118'],
            'demo-late',
        );
        Carbon::setTestNow('2026-10-26 16:00:00');
        ($this->send)($technician, $consignment, 'Hollow carriers', Carbon::now());
        $this->at(
            Carbon::parse('2026-10-30 09:10:00'),
            $technician,
            new Collection($portions->all()),
            'arrived',
            $lab->name,
        );
        Consignment::query()
            ->whereKey($consignment->id)
            ->update(['word' => 'arrived, they said on the phone']);
    }

    /** @param Collection<int, Portion> $portions */
    private function at(Carbon $at, User $technician, Collection $portions, string $step, string $place = ''): void
    {
        Carbon::setTestNow($at);
        ($this->write)($technician, new Collection($portions->values()->all()), [
            'submission' => "demo-{$step}-{$at->getTimestamp()}",
            'step' => $step,
            'at' => $at,
            'place' => $place,
            'condition' => '',
            'celsius' => null,
        ]);
    }

    /**
     * @param Collection<int, Portion> $portions
     * @param list<string> $tests
     * @return list<array{portion: Portion, tests: list<string>}>
     */
    private static function asked(Collection $portions, array $tests): array
    {
        return array_values(
            $portions
                ->load('lines', 'sample')
                ->map(static fn (Portion $portion): array => ['portion' => $portion, 'tests' => $tests])
                ->all(),
        );
    }
}
