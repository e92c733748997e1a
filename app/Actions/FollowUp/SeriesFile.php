<?php

declare(strict_types=1);

namespace App\Actions\FollowUp;

use HonestCore\FollowUp\GroundAct;
use HonestCore\FollowUp\SeriesPoint;
use HonestCore\FollowUp\SoilSeries;
use HonestCore\FollowUp\WatchedReading;
use HonestCore\Table\CsvForm;
use HonestCore\Table\CsvWriter;

/** A series as a table: a row for each round, for each reading of a test that watches, and for each thing that was spread. */
final class SeriesFile
{
    private const HEAD = [
        'kind', 'of', 'on', 'value', 'unit', 'standard_uncertainty', 'composites', 'stretch', 'break', 'lab', 'method', 'extractant',
        'layer', 'codes', 'what', 'lb_per_acre', 'rain_mm',
    ];

    public static function of(AreaSeries $series, CsvForm $form): string
    {
        $unit = $series->analyte->isUnitless() ? '' : $series->analyte->homeUnit;
        $rows = self::rounds('treated', $series->treated, $unit);
        foreach ($series->controls as $control) {
            array_push($rows, ...self::rounds("control: {$control->name}", $series->ofControls[$control->id], $unit));
        }

        return CsvWriter::of([
            self::HEAD,
            ...$rows,
            ...array_map(
                static fn (WatchedReading $one): array => [
                    'watched', 'treated', $one->on, $one->value, $unit, '', '', '', '', '', $one->test, '', '', $one->code,
                    $one->changed === true ? 'changed more than its noise' : '', '', '',
                ],
                $series->watched,
            ),
            ...array_map(
                static fn (GroundAct $act): array => [
                    $act->kind, 'treated', $act->day(), '', '', '', '', '', '', '', '', '', '', '', $act->what,
                    $act->lbPerAcre ?? '', $act->rainMm ?? '',
                ],
                $series->acts,
            ),
        ], $form);
    }

    /** @return list<list<string>> */
    private static function rounds(string $of, SoilSeries $series, string $unit): array
    {
        $rows = [];
        foreach ($series->stretches as $i => $stretch) {
            foreach ($stretch['points'] as $n => $point) {
                $rows[] = self::row('result', $of, $point, $unit, (string) ($i + 1), $n === 0 ? implode(' ', $stretch['breaks']) : '');
            }
        }
        foreach ($series->aside as $point) {
            $rows[] = self::row('aside', $of, $point, $unit, '', '');
        }

        return $rows;
    }

    /** @return list<string> */
    private static function row(string $kind, string $of, SeriesPoint $point, string $unit, string $stretch, string $break): array
    {
        $u = $point->uMean();

        return [
            $kind, $of, $point->on, (string) round($point->mean(), 6), $unit, $u === null ? '' : (string) round($u, 6),
            (string) count($point->values), $stretch, $break, $point->lab, $point->method, $point->extractant, $point->layer,
            implode(' ', $point->codes), '', '', '',
        ];
    }
}
