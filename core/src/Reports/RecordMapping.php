<?php

declare(strict_types=1);

namespace HonestCore\Reports;

use HonestCore\Analyte\SoilUnit;
use HonestCore\Error\BadTable;
use HonestCore\Error\Bounds;
use HonestCore\Error\ValueOutOfRange;
use HonestCore\Table\Fields;
use HonestCore\Table\Stored;

/**
 * Where in a spreadsheet of old pairs each thing stands: the sample, what the lab found, what the test read, and the day,
 * lot and reader where they were kept.
 *
 * Quantity: columns counted from 0; units by their codes, empty for pH and for bands; the year of all where no column has it.
 */
final readonly class RecordMapping implements Stored
{
    public const ORDERS = ['ymd', 'dmy', 'mdy'];

    /** Words in a column's name that say what it may hold; the first that fits is offered, and never taken unseen. */
    private const HINTS = [
        'sample' => '/sample|code|\bid\b|number|field|plot|bed|area/i',
        'reference' => '/\blab|reference|certified/i',
        'test' => '/kit|pen|probe|strip|test|reading|bench/i',
        'date' => '/date|day|year|season|\bon\b/i',
        'lot' => '/\blot\b|batch/i',
        'reader' => '/reader|read by|\bwho\b|\bby\b|person|operator/i',
    ];

    public function __construct(
        public ?int $sample,
        public ?int $reference,
        public ?int $test,
        public ?int $date = null,
        public ?int $lot = null,
        public ?int $reader = null,
        public ?int $year = null,
        public string $order = 'ymd',
        public string $referenceUnit = '',
        public string $testUnit = '',
    ) {}

    /** @param list<string> $columns names */
    public static function guessed(array $columns): self
    {
        $found = [];
        foreach (self::HINTS as $what => $hint) {
            foreach ($columns as $i => $name) {
                if (! in_array($i, $found, true) && preg_match($hint, $name) === 1) {
                    $found[$what] = $i;

                    break;
                }
            }
        }

        return new self(
            $found['sample'] ?? null,
            $found['reference'] ?? null,
            $found['test'] ?? null,
            $found['date'] ?? null,
            $found['lot'] ?? null,
            $found['reader'] ?? null,
        );
    }

    public static function fromRow(array $row): self
    {
        $fields = new Fields($row);

        return new self(
            $fields->wholeOrNull('sample'),
            $fields->wholeOrNull('reference'),
            $fields->wholeOrNull('test'),
            $fields->wholeOrNull('date'),
            $fields->wholeOrNull('lot'),
            $fields->wholeOrNull('reader'),
            $fields->wholeOrNull('year'),
            $fields->text('order', 'ymd'),
            $fields->text('reference_unit', ''),
            $fields->text('test_unit', ''),
        );
    }

    /** @return array<string, int|string|null> */
    public function toRow(): array
    {
        return [
            'sample' => $this->sample,
            'reference' => $this->reference,
            'test' => $this->test,
            'date' => $this->date,
            'lot' => $this->lot,
            'reader' => $this->reader,
            'year' => $this->year,
            'order' => $this->order,
            'reference_unit' => $this->referenceUnit,
            'test_unit' => $this->testUnit,
        ];
    }

    /**
     * What is still to be said before a pair can be read.
     *
     * @return list<string>
     */
    public function asks(string $analyte, bool $bands): array
    {
        $unit = $analyte !== 'ph';

        return array_keys(array_filter([
            'Which column names the sample?' => $this->sample === null,
            'Which column holds what the lab found?' => $this->reference === null,
            'Which column holds what the test read?' => $this->test === null,
            'From which year are they? No column says it.' => $this->date === null && $this->year === null,
            'In which unit did the lab report? It is never assumed.' => $unit && $this->referenceUnit === '',
            'In which unit did the test read? It is never assumed.' => $unit && ! $bands && $this->testUnit === '',
        ]));
    }

    /**
     * @throws BadTable
     * @throws ValueOutOfRange
     */
    public function check(int $columns, string $analyte): void
    {
        $used = array_filter(
            [$this->sample, $this->reference, $this->test, $this->date, $this->lot, $this->reader],
            static fn (?int $one): bool => $one !== null,
        );
        foreach ($used as $column) {
            Bounds::within('column_of_records', $column, 0, $columns - 1);
        }
        if (count(array_unique($used)) < count($used)) {
            throw new BadTable('column_said_twice');
        }
        if (! in_array($this->order, self::ORDERS, true)) {
            throw new ValueOutOfRange('no_order_of_dates', ['given' => $this->order, 'known' => implode(', ', self::ORDERS)]);
        }
        Bounds::within('year_of_records', $this->year, 1950, 2200);
        foreach ([$this->referenceUnit, $this->testUnit] as $unit) {
            if ($unit !== '' && ! SoilUnit::named($unit)->fits($analyte)) {
                throw new ValueOutOfRange('unit_of_another_kind', [
                    'analyte' => $analyte,
                    'from_code' => $unit,
                    'home_unit' => SoilUnit::home($analyte)->code ?? 'none',
                ]);
            }
        }
    }
}
