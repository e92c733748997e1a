<?php

declare(strict_types=1);

namespace App\Actions\Prescribe;

use App\Models\GroundEvent;
use App\Models\SignedProgram;
use App\Models\Site;
use HonestCore\Program\SiteRates;
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
     * What is to be spread about now on a site, as far as nobody noted that it was.
     *
     * @return list<array{program: int, area: string, name: string, part: string, on: string}>
     */
    public function near(Site $site): array
    {
        $today = now($site->timezone);
        [$from, $to] = [$today->copy()->subDays(self::PAST)->format('Y-m-d'), $today->copy()->addDays(self::AHEAD)->format('Y-m-d')];
        $programs = SignedProgram::linesOfSite($site->id)->unique('area_id');
        $noted = GroundEvent::answered(array_values(array_map(static fn (SignedProgram $one): int => $one->id, $programs->all())));
        $rates = SiteRates::of($site->units);
        $near = [];
        foreach ($programs as $program) {
            foreach ($program->outlook->lines as $line) {
                if ($line->on >= $from && $line->on <= $to && ! isset($noted[$program->id][$line->key()])) {
                    $near[] = [
                        'program' => $program->id,
                        'area' => $program->area->name,
                        'name' => $line->name,
                        'part' => ($line->part === 0 ? '' : "{$line->label}, ").
                            $rates->inWords(number_format($line->lbPerAcre).' lb/acre'),
                        'on' => $line->on,
                    ];
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
        $rates = SiteRates::of((new Fields((new Fields($body))->row('site')))->text('units'));
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
                        $rates->inWords(number_format($day->number('lb_per_acre')).' lb/acre'),
                    'on' => $day->text('on'),
                ];
            }
        }
        usort($days, static fn (array $a, array $b): int => $a['on'] <=> $b['on']);

        return $days;
    }
}
