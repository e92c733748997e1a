<?php

declare(strict_types=1);

namespace App\Actions\Prescribe;

use App\Models\SignedProgram;
use App\Models\Site;
use HonestCore\Sampling\ICalendarFile;
use HonestCore\Table\Fields;

/** When the products of signed programs go on. */
final class SpreadCalendar
{
    /** Days of the past and of what is to come that Today shows. */
    private const PAST = 14;

    private const AHEAD = 21;

    public function file(SignedProgram $program): string
    {
        $steps = [];
        foreach ($program->days as $i => $day) {
            $steps[] = [
                'code' => "spread-{$i}",
                'what' => "{$day['name']}, {$day['part']}",
                'on' => new \DateTimeImmutable($day['on']),
            ];
        }

        return ICalendarFile::of(
            $program->area->name,
            "program-{$program->id}",
            $steps,
            new \DateTimeImmutable($program->created_at->format('c')),
        );
    }

    /**
     * What is to be spread about now on a site: nobody knows yet whether it was.
     *
     * @return list<array{program: int, area: string, name: string, part: string, on: string}>
     */
    public function near(Site $site): array
    {
        $today = now($site->timezone);
        [$from, $to] = [$today->copy()->subDays(self::PAST)->format('Y-m-d'), $today->copy()->addDays(self::AHEAD)->format('Y-m-d')];
        $near = [];
        foreach (SignedProgram::daysOfSite($site->id)->unique('area_id') as $program) {
            foreach ($program->days as $day) {
                if ($day['on'] >= $from && $day['on'] <= $to) {
                    $near[] = ['program' => $program->id, 'area' => $program->area->name, ...$day];
                }
            }
        }
        usort($near, static fn (array $a, array $b): int => [$a['on'], $a['area']] <=> [$b['on'], $b['area']]);

        return $near;
    }

    /**
     * @param array<string, mixed> $body of a program
     * @return list<array{name: string, part: string, on: string}> the soonest first
     */
    public static function daysOf(array $body): array
    {
        $days = [];
        foreach ((new Fields($body))->rows('parts') as $row) {
            $part = new Fields($row);
            $names = [];
            foreach ($part->rows('amounts') as $amount) {
                $names[(new Fields($amount))->text('product')] = (new Fields($amount))->text('name');
            }
            foreach ($part->rows('days') as $row) {
                $day = new Fields($row);
                $days[] = [
                    'name' => $names[$day->text('product')] ?? $day->text('product'),
                    'part' => ($part->whole('number') === 0 ? '' : "{$part->text('label')}, ").
                        number_format($day->number('lb_per_acre')).' lb/acre',
                    'on' => $day->text('on'),
                ];
            }
        }
        usort($days, static fn (array $a, array $b): int => $a['on'] <=> $b['on']);

        return $days;
    }
}
