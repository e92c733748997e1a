<?php

declare(strict_types=1);

namespace StandIn;

/**
 * What goes wrong at a lab now and then: two samples exchanged on the bench, or a batch whose pH meter was set wrong.
 * Some labs find it themselves and say so; others do not. The reference of a consignment decides, unless a slip is
 * ordered.
 *
 * @phpstan-import-type Row from Report
 *
 * @phpstan-type Kept array{kind: string, told: bool}
 */
final class Slip
{
    public const KINDS = ['none', 'swap', 'shift'];

    /** One consignment in four has a swap, one a shift; half of the slips are told. */
    private const OFTEN = 0.25;

    private const SHIFT = ['ph' => 0.45, 'mehlich' => 0.12, 'smp' => 0.2];

    /** @return Kept */
    public static function of(float $chance, float $telling): array
    {
        return [
            'kind' => $chance < self::OFTEN ? 'swap' : ($chance < 2 * self::OFTEN ? 'shift' : 'none'),
            'told' => $telling < 0.5,
        ];
    }

    /**
     * The two samples whose pH lies farthest apart are exchanged; a batch is shifted upwards.
     *
     * @param Kept $slip
     * @param list<Row> $rows
     * @return list<Row>
     */
    public static function make(array $slip, array $rows): array
    {
        if ($slip['kind'] === 'shift') {
            foreach ($rows as $i => $row) {
                foreach (array_intersect_key(self::SHIFT, $row['values']) as $test => $by) {
                    $rows[$i]['values'][$test] += $by;
                }
            }

            return $rows;
        }
        $ph = array_filter(
            array_map(static fn (array $row): ?float => $row['values']['ph'] ?? null, $rows),
            is_float(...),
        );
        if ($slip['kind'] === 'swap' && count($ph) > 1) {
            asort($ph);
            [$low, $high] = [array_key_first($ph), array_key_last($ph)];

            return array_map(
                static fn (array $row, int $i): array => [
                    'code' => $row['code'],
                    'values' => $rows[[$low => $high, $high => $low][$i] ?? $i]['values'] ?? [],
                ],
                $rows,
                array_keys($rows),
            );
        }

        return $rows;
    }

    /** @param Kept $slip */
    public static function words(array $slip): string
    {
        return match (true) {
            ! $slip['told'], $slip['kind'] === 'none' => '',
            $slip['kind'] === 'swap' => 'two samples of this batch may have been exchanged; a corrected report '.
                'follows',
            default => 'the pH meter was found to be set wrong for this batch; a corrected report follows',
        };
    }
}
