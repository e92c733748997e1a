<?php

declare(strict_types=1);

namespace HonestCore\Probe;

use HonestCore\Error\BadRow;
use HonestCore\Error\BadTable;
use HonestCore\Table\CsvTable;
use HonestCore\Table\Number;

/**
 * What a logger wrote: a row a reading, with the code of the portion it is of. Taken whole or not at all.
 *
 * Quantity and unit: value in the unit of the probe, temperature in °C.
 * Domain: CSV with the columns portion and value, and maybe celsius; values on the scale of the probe.
 */
final class LoggerFile
{
    /**
     * @return list<array{row: int, portion: string, value: float, typed: string, celsius: float|null}>
     *
     * @throws BadTable
     * @throws BadRow
     */
    public static function read(string $text, float $lowest, float $highest): array
    {
        $table = CsvTable::parse($text, ['portion', 'value']);
        $readings = [];
        foreach ($table->rows as $row => $cells) {
            $value = Number::parse($cells['value']);
            if ($value === null || $value < $lowest || $value > $highest) {
                throw new BadRow('no_reading_of_the_probe', [
                    'place' => $row,
                    'value' => $cells['value'],
                    'lowest' => $lowest,
                    'highest' => $highest,
                ]);
            }
            if ($cells['portion'] === '') {
                throw new BadRow('portion_empty', ['place' => $row]);
            }
            $celsius = ($cells['celsius'] ?? '') === '' ? null : Number::parse($cells['celsius']);
            if (($cells['celsius'] ?? '') !== '' && ($celsius === null || abs($celsius) > 100)) {
                throw new BadRow('no_temperature', ['place' => $row, 'celsius' => $cells['celsius']]);
            }
            $readings[] = [
                'row' => $row,
                'portion' => strtoupper($cells['portion']),
                'value' => $value,
                'typed' => $cells['value'],
                'celsius' => $celsius,
            ];
        }

        return $readings;
    }
}
