<?php

declare(strict_types=1);

namespace HonestCore\Probe;

use HonestCore\Error\ValueOutOfRange;
use HonestCore\Statistics\Spread;
use HonestCore\Table\RuleTable;

/**
 * Readings of a nitrate probe at places from a crop row to the middle between two rows.
 *
 * Quantity and unit: distances from the row in centimetres, nitrate nitrogen in ppm.
 * Domain: 1 to 60 places from 0 to half the row spacing, each with 1 to 10 readings of 0 to 500 ppm.
 * Variant: a place reads the mean of its readings; the row is the mean over the distance, by trapezoids between the
 *   outermost places, because places close together must not count more.
 * Source: the table in data/transect.json.
 */
final readonly class RowTransect
{
    private const EPSILON = 1e-6;

    /**
     * @param non-empty-list<array{cm: float, readings: non-empty-list<float>, mean: float, alone: bool}> $places
     *                                                                                                            from the row outwards
     * @param list<string> $cautions
     */
    private function __construct(
        public float $rowSpacingCm,
        public array $places,
        public ?float $meanAcross,
        public float $fromCm,
        public float $toCm,
        public array $cautions,
    ) {}

    /**
     * @param list<array{cm: float, readings: list<float>}> $places
     *
     * @throws ValueOutOfRange
     */
    public static function of(float $rowSpacingCm, array $places): self
    {
        if (! ($rowSpacingCm >= 10 && $rowSpacingCm <= 1000)) {
            throw new ValueOutOfRange('row_spacing', [
                'value' => $rowSpacingCm,
                'low' => 10,
                'high' => 1000,
                'unit' => 'cm',
            ]);
        }
        if ($places === [] || count($places) > 60) {
            throw new ValueOutOfRange('number_places', ['value' => count($places), 'low' => 1, 'high' => 60]);
        }
        $means = array_map(static fn (array $place): array => self::place($place, $rowSpacingCm / 2), $places);
        usort($means, static fn (array $a, array $b): int => $a['cm'] <=> $b['cm']);
        foreach ($means as $i => $place) {
            if ($i > 0 && $place['cm'] - $means[$i - 1]['cm'] < self::EPSILON) {
                throw new ValueOutOfRange('place_twice', ['cm' => $place['cm']]);
            }
        }
        [$from, $to] = [$means[0]['cm'], $means[count($means) - 1]['cm']];

        return new self(
            $rowSpacingCm,
            $means,
            self::across($means),
            $from,
            $to,
            self::cautions($means, $rowSpacingCm / 2),
        );
    }

    /**
     * Where to read: from the row to mid-row at the distance of practice, mid-row included.
     *
     * @return non-empty-list<float> centimetres from the row
     */
    public static function positions(float $rowSpacingCm): array
    {
        $every = self::table()['every_cm'];
        $positions = [];
        for ($i = 0; $i * $every < $rowSpacingCm / 2 - $every / 4; $i++) {
            $positions[] = round($i * $every, 2);
        }
        $positions[] = round($rowSpacingCm / 2, 2);

        return $positions;
    }

    /**
     * @param array{cm: float, readings: list<float>} $place
     * @return array{cm: float, readings: non-empty-list<float>, mean: float, alone: bool}
     *
     * @throws ValueOutOfRange
     */
    private static function place(array $place, float $middle): array
    {
        ['cm' => $cm, 'readings' => $readings] = $place;
        if (! ($cm >= 0 && $cm <= $middle + self::EPSILON)) {
            throw new ValueOutOfRange('distance_from_row', ['value' => $cm, 'unit' => 'cm', 'middle' => $middle]);
        }
        if ($readings === [] || count($readings) > 10) {
            throw new ValueOutOfRange('number_readings_at_cm', [
                'value' => count($readings),
                'low' => 1,
                'high' => 10,
                'cm' => $cm,
            ]);
        }
        foreach ($readings as $reading) {
            if (! ($reading >= 0 && $reading <= 500)) {
                throw new ValueOutOfRange('reading_at_cm', [
                    'value' => $reading,
                    'low' => 0,
                    'high' => 500,
                    'unit' => 'ppm',
                    'cm' => $cm,
                ]);
            }
        }

        return [
            'cm' => $cm,
            'readings' => $readings,
            'mean' => Spread::mean($readings),
            'alone' => count($readings) < self::table()['readings'],
        ];
    }

    /** @param non-empty-list<array{cm: float, mean: float}> $places */
    private static function across(array $places): ?float
    {
        $width = $places[count($places) - 1]['cm'] - $places[0]['cm'];
        if ($width < self::EPSILON) {
            return null;
        }
        $sum = 0.0;
        for ($i = 1, $n = count($places); $i < $n; $i++) {
            $sum += (($places[$i]['cm'] - $places[$i - 1]['cm']) * ($places[$i]['mean'] + $places[$i - 1]['mean'])) / 2;
        }

        return $sum / $width;
    }

    /**
     * @param non-empty-list<array{cm: float, mean: float, alone: bool}> $places
     * @return list<string>
     */
    private static function cautions(array $places, float $middle): array
    {
        $table = self::table();
        $cautions = [];
        if (count($places) === 1) {
            $cautions[] =
                'One place is not a transect: the same bag of soil reads differently by where it was pulled. Read '.
                    'every 3 in ('.
                round($table['every_cm'], 1).
                ' cm) from the row to the middle.';
        }
        $alone = array_filter($places, static fn (array $place): bool => $place['alone']);
        if ($alone !== []) {
            $cautions[] =
                count($alone) === 1
                    ? 'One place has a single reading where two are asked.'
                    : count($alone).' places have a single reading where two are asked.';
        }
        if (
            count($places) > 1 &&
            ($places[0]['cm'] > $table['every_cm'] || $places[count($places) - 1]['cm'] < $middle - $table['every_cm'])
        ) {
            $cautions[] =
                'The places do not reach from the row to the middle between the rows: the mean speaks for the part '.
                    'that was read.';
        }
        $means = array_column($places, 'mean');
        if (
            count($places) > 2 &&
            max($means) >= $table['banded_ratio'] * max(min($means), self::EPSILON) &&
            max($means) > 0
        ) {
            $cautions[] =
                'The highest place reads twice the lowest or more: nitrogen lies in a band, and one core would say '.
                    'what its place says.';
        }

        return $cautions;
    }

    /** @return array{every_cm: float, readings: int, banded_ratio: float} */
    private static function table(): array
    {
        /** @var array{every_cm: float, readings: int, banded_ratio: float} $table */
        $table = RuleTable::named('transect');

        return $table;
    }

    /** What readings of so many days may be taken for. */
    public static function caution(int $days): string
    {
        return match ($days) {
            0 => 'Nothing was read here yet.',
            1 => 'One day is a point, not a trend: what it says hangs on the rain and the applications before it.',
            2 => 'Two days are a difference, not a trend; rain and applications between them say more than the line.',
            default => 'Read the days together with the rain and the applications between them.',
        };
    }
}
