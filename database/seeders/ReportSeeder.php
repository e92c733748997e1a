<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Actions\Custody\SplitOff;
use App\Actions\Custody\WriteLines;
use App\Actions\Reports\ReportFile;
use App\Actions\Reports\TakeMapped;
use App\Exceptions\RefusedRows;
use App\Models\CheckSoil;
use App\Models\Lab;
use App\Models\Portion;
use App\Models\Sample;
use App\Models\Site;
use App\Models\User;
use HonestCore\Error\CoreError;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Carbon;

/**
 * Lab reports of the demo that came as files: nutrients, a second opinion with two samples exchanged, and a check soil
 * that creeps.
 */
final class ReportSeeder
{
    private const NUTRIENTS = [
        'Terrace beds above the house' => [126, 214, 5.1, 13.2],
        'Long Meadow, west slope' => [14, 96, 3.4, 9.6],
        'Old orchard below the barn' => [31, 183, 4.2, 11.4],
        'Blueberry rows by the creek' => [22, 88, 6.3, 8.7],
    ];

    /** Three rounds of three check portions: as it should be, then creeping upwards. */
    private const CHECKS = [
        ['2026-05-06', [6.18, 6.23, 6.16]],
        ['2026-07-02', [6.21, 6.25, 6.19]],
        ['2026-10-09', [6.28, 6.38, 6.41]],
    ];

    public function __construct(
        private readonly TakeMapped $take,
        private readonly SplitOff $split,
        private readonly WriteLines $write,
    ) {}

    public function __invoke(User $technician): void
    {
        $fennick = Lab::query()->where('service', true)->firstOrFail();
        $samples = Sample::query()
            ->with(['area', 'site'])
            ->orderBy('id')
            ->get();
        $this->nutrients($fennick, $samples, $technician);
        $this->secondOpinion(Lab::query()->where('service', false)->firstOrFail(), $samples, $technician);
        $this->hidden($fennick, $samples, $technician);
        $this->checks($fennick, $technician);
    }

    /**
     * Hidden duplicates of five composites: how well the lab repeats itself.
     *
     * @param Collection<int, Sample> $samples
     */
    private function hidden(Lab $lab, Collection $samples, User $technician): void
    {
        $lines = ['Sample ID,pH (1:1 water)'];
        foreach ([0, 5, 8, 13, 15] as $k => $i) {
            Carbon::setTestNow('2026-10-02 15:30:00');
            $code = $this->split->sample(
                $technician,
                $samples[$i] ?? throw new \LogicException('The season has its composites.'),
                'hidden',
                Carbon::now(),
                200,
                ['ph'],
                'dried',
            )->code;
            $lines[] =
                "{$code},".
                number_format((float) QuillHollow::SEASON[$i][5] + [0.05, -0.04, 0.02, -0.06, 0.03][$k], 2);
        }
        $this->follow(
            array_map(static fn (string $line): string => explode(',', $line)[0], array_slice($lines, 1)),
            '2026-10-02',
            '2026-10-14',
            $lab,
            $technician,
        );
        $this->file($lab, 'fennick-october.csv', '2026-10-14', $lines, $technician);
    }

    /** @param Collection<int, Sample> $samples */
    private function nutrients(Lab $lab, Collection $samples, User $technician): void
    {
        $lines = ['Sample ID,"P (Mehlich-3, ICP), ppm","K (Mehlich-3, ICP), ppm",Organic matter %,CEC cmol/kg'];
        foreach ($samples as $sample) {
            [$p, $k, $om, $cec] = self::NUTRIENTS[$sample->area->name];
            $code = Portion::query()->where('sample_id', $sample->id)->where('kind', 'lab')->value('code');
            $lines[] = implode(',', [
                $code,
                round($p * (1 + 0.1 * sin(5.1 * $sample->id))),
                round($k * (1 + 0.08 * sin(3.7 * $sample->id))),
                number_format($om + 0.3 * sin(2.3 * $sample->id), 1),
                number_format($cec + 0.4 * sin(1.9 * $sample->id), 1),
            ]);
        }
        $this->file($lab, 'fennick-nutrients-2026.csv', '2026-10-12', $lines, $technician);
    }

    /** @param Collection<int, Sample> $samples */
    private function secondOpinion(Lab $lab, Collection $samples, User $technician): void
    {
        $lines = ['Alder Bank Laboratory;;', 'Order W-093;;', 'Your code;Layer;pH (1:2 H2O);Mehlich buffer pH'];
        $values = [];
        foreach ($samples->slice(4, 8)->values() as $i => $sample) {
            Carbon::setTestNow('2026-10-02 15:00:00');
            $portion = $this->split->sample(
                $technician,
                $sample,
                'lab_b',
                Carbon::now(),
                350,
                ['ph', 'mehlich'],
                'dried',
            );
            $values[] = [
                $portion->code,
                (float) QuillHollow::SEASON[4 + $i][5] + 0.07 + 0.04 * sin(4.7 * $i),
                QuillHollow::SEASON[4 + $i][6] === ''
                    ? null
                    : (float) QuillHollow::SEASON[4 + $i][6] + 0.03 * cos(3.1 * $i),
            ];
        }
        // A meadow and an orchard sample, exchanged at that lab.
        foreach ($values as $i => [$code]) {
            [, $ph, $buffer] = $values[[1 => 4, 4 => 1][$i] ?? $i] ?? ['', 0.0, null];
            $lines[] = str_replace(
                '.',
                ',',
                implode(';', [
                    $code,
                    '0-6 in',
                    number_format($ph, 2),
                    $buffer === null ? '' : number_format($buffer, 2),
                ]),
            );
        }
        $this->follow(array_column($values, 0), '2026-10-02', '2026-10-16', $lab, $technician);
        $this->file($lab, 'alder-bank-W-093.csv', '2026-10-16', $lines, $technician);
    }

    private function checks(Lab $lab, User $technician): void
    {
        $soil = CheckSoil::query()->firstOrFail();
        $site = Site::query()->firstOrFail();
        foreach (self::CHECKS as $round => [$day, $values]) {
            $lines = ['Sample ID,pH (1:1 water)'];
            foreach ($values as $value) {
                Carbon::setTestNow(Carbon::parse($day)->subDays(12)->setTime(15, 0));
                $lines[] =
                    $this->split->checkSoil($technician, $site, $soil, Carbon::now(), 200, ['ph'])->code.
                    ','.
                    number_format($value, 2);
            }
            $this->follow(
                array_map(static fn (string $line): string => explode(',', $line)[0], array_slice($lines, 1)),
                Carbon::parse($day)->subDays(12)->format('Y-m-d'),
                $day,
                $lab,
                $technician,
            );
            $this->file($lab, 'fennick-checks-'.($round + 1).'.csv', $day, $lines, $technician);
        }
    }

    /** What was pulled on a day and not sent lies dried on a shelf. */
    public function shelve(string $day, User $technician): void
    {
        $portions = Portion::query()
            ->whereIn('kind', ['bench', 'lab'])
            ->where('state', 'split')
            ->whereHas('sample', static fn ($sample) => $sample->whereDate('pulled_on', $day))
            ->orderBy('id')
            ->get();
        foreach (
            [
                'drying' => [0, 20, 'Drying tray 1'],
                'dried' => [1, 14, ''],
                'shelved' => [1, 15, 'Shelf C, box 1'],
            ] as $step => [$after, $hour, $place]
        ) {
            $this->step($technician, $portions, $step, Carbon::parse($day)->addDays($after)->setTime($hour, 0), $place, 'bench');
        }
    }

    /**
     * The way of portions to a lab and back to paper: handed over two hours after they were split off.
     *
     * @param list<string> $codes
     */
    public function follow(array $codes, string $split, string $reported, Lab $lab, User $technician): void
    {
        $portions = Portion::query()->whereIn('code', $codes)->orderBy('id')->get();
        $days = (int) Carbon::parse($split)->diffInDays(Carbon::parse($reported));
        foreach (
            [
                'packed' => [0, 16, "Consignment for {$lab->name}"],
                'sent' => [0, 17, 'Hollow carriers'],
                'arrived' => [3, 10, $lab->name],
                'measured' => [max(4, $days - 2), 12, $lab->name],
                'reported' => [$days, 13, $lab->name],
            ] as $step => [$after, $hour, $place]
        ) {
            $this->step(
                $technician,
                $portions,
                $step,
                Carbon::parse($split)->addDays($after)->setTime($hour, 30),
                $place,
                $codes[0],
            );
        }
    }

    /** @param Collection<int, Portion> $portions */
    public function step(
        User $technician,
        Collection $portions,
        string $step,
        Carbon $at,
        string $place,
        string $of,
    ): void {
        Carbon::setTestNow($at);
        ($this->write)($technician, $portions, [
            'submission' => "demo-{$step}-{$of}-{$at->getTimestamp()}",
            'step' => $step,
            'at' => $at,
            'place' => $place,
            'condition' => '',
            'celsius' => null,
        ]);
    }

    /** @param list<string> $lines */
    public function file(Lab $lab, string $name, string $day, array $lines, User $technician): void
    {
        Carbon::setTestNow("{$day} 14:00:00");
        $bytes = implode("\n", $lines)."\n";
        $file = ReportFile::of($bytes, null);
        try {
            ($this->take)(
                $file,
                $lab,
                $file->mapping($lab)[0],
                [
                    'file_name' => $name,
                    'sha256' => hash('sha256', $bytes),
                    'read_on' => $day,
                    'decimal_comma' => null,
                    'skip' => [],
                    'supersedes_id' => null,
                ],
                $technician,
            );
        } catch (CoreError $error) {
            throw new \LogicException("{$name}: {$error->getMessage()}", 0, $error);
        } catch (RefusedRows $refused) {
            throw new \LogicException("{$name}: ".implode(' ', array_column($refused->rows, 'message')), 0, $refused);
        }
    }
}
