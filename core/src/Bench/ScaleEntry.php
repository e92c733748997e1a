<?php

declare(strict_types=1);

namespace HonestCore\Bench;

use HonestCore\Agreement\Band;
use HonestCore\Agreement\Bands;
use HonestCore\Colour\LabColour;
use HonestCore\Error\BadDefinition;
use HonestCore\Error\CoreError;

/** Reads the scale of a definition. */
final class ScaleEntry
{
    /**
     * @throws BadDefinition
     * @throws CoreError
     */
    public static function read(Entry $entry): MethodScale
    {
        $kind = ScaleKind::from((string) $entry->oneOf('kind', array_column(ScaleKind::cases(), 'value')));
        $scale = match ($kind) {
            ScaleKind::Continuous => self::continuous($entry),
            ScaleKind::Heights => new MethodScale($kind, readingErrorMm: $entry->number('reading_error_mm', 1e-6, 20)),
            default => self::banded($kind, $entry),
        };
        $entry->done();

        return $scale;
    }

    /** @throws BadDefinition */
    private static function continuous(Entry $entry): MethodScale
    {
        $scale = new MethodScale(
            ScaleKind::Continuous,
            resolution: $entry->number('resolution', 1e-9, 1e6),
            lowest: $entry->number('lowest', -1e9, 1e9),
            highest: $entry->number('highest', -1e9, 1e9),
        );

        return $scale->lowest < $scale->highest
            ? $scale
            : throw new BadDefinition('highest_not_above_lowest', ['place' => $entry->place]);
    }

    /**
     * @throws BadDefinition
     * @throws CoreError
     */
    private static function banded(ScaleKind $kind, Entry $entry): MethodScale
    {
        [$bands, $colours] = [[], []];
        foreach ($entry->entries('bands', 2, 20) as $one) {
            $name = $one->words('name', 1, 40);
            $bands[] = new Band($name, $one->end('lower') ?? -INF, $one->end('upper') ?? INF);
            if ($one->has('colour')) {
                $colours[$name] = self::colour($one);
            }
            $one->done();
        }
        $all = Bands::of($bands);

        return new MethodScale($kind, $all, $colours, $kind === ScaleKind::Drops ? self::drops($entry, $all) : []);
    }

    /**
     * @throws BadDefinition
     * @throws CoreError
     */
    private static function colour(Entry $entry): LabColour
    {
        $parts = $entry->items('colour', 3, 3);
        foreach ($parts as $part) {
            if (! is_int($part) && ! is_float($part)) {
                throw new BadDefinition('colour_not_three_numbers', ['place' => $entry->place]);
            }
        }

        /** @var array{int|float, int|float, int|float} $parts */
        return LabColour::of((float) $parts[0], (float) $parts[1], (float) $parts[2]);
    }

    /**
     * Rows that follow one another without gap from one drop on, their bands in one direction.
     *
     * @return list<array{from: int, to: int, band: string}>
     *
     * @throws BadDefinition
     */
    private static function drops(Entry $entry, Bands $bands): array
    {
        $most = $entry->whole('most', 1, 500);
        $sign = $entry->oneOf('more_means', ['less', 'more']) === 'less' ? -1 : 1;
        [$rows, $next, $last] = [[], 1, null];
        foreach ($entry->entries('table', 2, 30) as $one) {
            $row = [
                'from' => $one->whole('from', 1, 500),
                'to' => $one->whole('to', 1, 500),
                'band' => $one->words('band', 1, 40),
            ];
            $one->done();
            $band =
                $bands->named($row['band']) ??
                throw new BadDefinition('no_band_of_the_scale', [
                    'place' => $one->place,
                    'band' => $row['band'],
                    'known' => implode(', ', array_column($bands->bands, 'name')),
                ]);
            if ($row['from'] !== $next || $row['to'] < $row['from']) {
                throw new BadDefinition('rows_with_a_gap', ['place' => $one->place, 'next' => $next]);
            }
            if ($last !== null && ($band->lower <=> $last->lower) !== $sign) {
                throw new BadDefinition($sign < 0 ? 'band_rises' : 'band_falls', ['place' => $one->place]);
            }
            [$rows[], $next, $last] = [$row, $row['to'] + 1, $band];
        }

        return $next - 1 === $most
            ? $rows
            : throw new BadDefinition('table_too_short', ['place' => $entry->place, 'most' => $most]);
    }
}
