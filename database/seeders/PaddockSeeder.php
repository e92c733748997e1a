<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Actions\Areas\WriteArea;
use App\Actions\Custody\SplitOff;
use App\Actions\Samples\PullComposite;
use App\Models\Lab;
use App\Models\Plan;
use App\Models\Portion;
use App\Models\Sample;
use App\Models\Site;
use App\Models\User;
use HonestCore\Custody\CoreMark;
use HonestCore\Custody\Outcome;
use Illuminate\Support\Carbon;

/**
 * A paddock of an earlier year. Pulled as one it read 7 and nothing was to be done; its cells read from 5.9 to 8.2.
 * Each cell was pulled twice and each composite measured twice, so that ground, sampling and analysis can be told
 * apart.
 */
final class PaddockSeeder
{
    public function __construct(
        private readonly Ground $ground,
        private readonly WriteArea $writeArea,
        private readonly PullComposite $pull,
        private readonly SplitOff $split,
        private readonly ReportSeeder $reports,
    ) {}

    public function __invoke(User $technician): void
    {
        $fennick = Lab::query()->where('service', true)->firstOrFail();
        [$name, $use, $history, $ring] = QuillHollow::PADDOCK;
        [$day, $ph] = QuillHollow::WHOLE;
        Carbon::setTestNow("{$day} 13:00:00");
        $area = $this->writeArea->new(Site::query()->firstOrFail(), [
            'name' => $name,
            'use' => $use,
            'history' => $history,
            'boundary' => $this->ground->boundary($ring),
        ]);
        $whole = $this->composite($this->ground->plan($area, $technician, 51), 1, $day, $technician);
        $this->report(
            $fennick,
            $day,
            'fennick-2024-04.csv',
            [[$this->portion($whole, 'lab'), $ph, '', '']],
            $technician,
        );

        [$day, $cells] = QuillHollow::CELLS;
        Carbon::setTestNow("{$day} 13:00:00");
        $plan = $this->ground->plan($area, $technician, 52, 0.8, ['duplicates' => count($cells), 'hidden' => 0]);
        [$west, $rows] = [$this->fromTheWest($plan), []];
        foreach ($plan->layout->composites as $composite) {
            [$first, $second, $mehlich, $smp] = $cells[$west[$composite->duplicateOf ?? $composite->number]];
            [$own, $hidden] = $composite->duplicateOf !== null ? $second : $first;
            $sample = $this->composite($plan, $composite->number, $day, $technician);
            array_push(
                $rows,
                [$this->portion($sample, 'lab'), $own, $mehlich, $smp],
                [
                    $this->split->sample($technician, $sample, 'hidden', Carbon::now(), 200, ['ph'])->code,
                    $hidden,
                    '',
                    '',
                ],
            );
        }
        $this->report($fennick, $day, 'fennick-2024-09.csv', $rows, $technician);
        $this->reports->shelve(QuillHollow::WHOLE[0], $technician);
        $this->reports->shelve(QuillHollow::CELLS[0], $technician);
    }

    /** @return array<int, int> the place of each cell, counted from the west, by its number */
    private function fromTheWest(Plan $plan): array
    {
        $longitudes = [];
        foreach ($plan->layout->composites as $composite) {
            $composite->duplicateOf !== null ||
                ($longitudes[$composite->number] = min(
                    PHP_FLOAT_MAX,
                    ...array_column($composite->outline[0] ?? [], 0),
                ));
        }
        asort($longitudes);

        return array_flip(array_keys($longitudes));
    }

    private function composite(Plan $plan, int $number, string $day, User $technician): Sample
    {
        Carbon::setTestNow("{$day} 15:00:00");
        $cores = $plan->layout->coresOf($number);

        return ($this->pull)(
            $plan,
            $technician,
            [
                'composite' => $number,
                'pulled_on' => $day,
                'pulled_by' => $technician->name,
                'cores_pulled' => $cores,
                'note' => '',
                'submission' => null,
            ],
            array_map(
                static fn (int $sequence): CoreMark => new CoreMark($sequence, Outcome::Pulled, null),
                range(1, $cores),
            ),
        )[0];
    }

    private function portion(Sample $sample, string $kind): string
    {
        return Portion::query()
            ->where(['sample_id' => $sample->id, 'kind' => $kind])
            ->firstOrFail()->code;
    }

    /** @param list<array{string, string, string, string}> $rows */
    private function report(Lab $lab, string $pulled, string $file, array $rows, User $technician): void
    {
        $reported = Carbon::parse($pulled)->addDays(12)->format('Y-m-d');
        $this->reports->follow(array_column($rows, 0), $pulled, $reported, $lab, $technician);
        $this->reports->file(
            $lab,
            $file,
            $reported,
            [
                'Sample ID,pH (1:1 water),Mehlich buffer pH,SMP buffer pH',
                ...array_map(static fn (array $row): string => implode(',', $row), $rows),
            ],
            $technician,
        );
    }
}
