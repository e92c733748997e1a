<?php

declare(strict_types=1);

namespace HonestCore\Practice;

use HonestCore\Error\BadTable;
use HonestCore\Error\ValueOutOfRange;
use HonestCore\Table\Fields;
use HonestCore\Table\RuleTable;

/**
 * How hard the practice ground and its instruments are.
 *
 * Quantity and unit: pH in units, organic matter in percent, phosphorus, potassium and lead as natural logarithms of ppm; metres;
 * shares from 0 to 1.
 * Source: data/practice.json.
 */
final readonly class PracticeLevel
{
    private function __construct(public string $name, private Fields $table, private Fields $row) {}

    /** @return list<string> from gentle to hard; those of a lesson alone are not among them */
    public static function names(): array
    {
        return array_map(strval(...), array_keys((new Fields(RuleTable::named('practice')))->named('levels')));
    }

    /**
     * @throws ValueOutOfRange
     * @throws BadTable
     */
    public static function named(string $name): self
    {
        $table = new Fields(RuleTable::named('practice'));
        $row = $table->named('levels')[$name] ?? $table->named('levels_of_lessons')[$name] ?? null;

        return is_array($row)
            ? new self($name, $table, new Fields($row))
            : throw new ValueOutOfRange('no_practice_level', ['name' => mb_substr($name, 0, 30), 'known' => implode(', ', self::names())]);
    }

    /** @return list<string> */
    public function analytes(): array
    {
        return $this->table->texts('analytes');
    }

    public function isLogarithmic(string $analyte): bool
    {
        return in_array($analyte, $this->table->texts('logarithmic'), true);
    }

    /** Which of the lists of the table an analyte stands at. */
    public function place(string $analyte): int
    {
        $at = array_search($analyte, $this->analytes(), true);

        return is_int($at) ? $at : throw new ValueOutOfRange('no_practice_analyte', [
            'name' => mb_substr($analyte, 0, 30), 'known' => implode(', ', $this->analytes()),
        ]);
    }

    /** A figure of an analyte that all levels share. */
    public function shared(string $what, string $analyte): float
    {
        return $this->table->numbers($what)[$this->place($analyte)];
    }

    /** A figure of an analyte at this level. */
    public function of(string $what, string $analyte): float
    {
        return $this->row->numbers($what)[$this->place($analyte)];
    }

    public function figure(string $what): float
    {
        return $this->row->number($what);
    }

    /** pH that a reading is off by where a step is broken in a way of its own; null where it is only off. */
    public function offBy(string $break): ?float
    {
        $off = $this->table->named('off_by')[$break] ?? null;

        return is_numeric($off) ? (float) $off : null;
    }

    public function sharedFigure(string $what): float
    {
        return $this->table->number($what);
    }

    /** A figure of the kit or the lab. */
    public function ofTool(string $tool, string $what): float
    {
        return (new Fields($this->row->row($tool)))->number($what);
    }

    /** @return list<list<float>> between the analytes, in their order */
    public function correlation(): array
    {
        $rows = $this->table->row('correlation');

        return array_map(
            static fn (mixed $row): array => array_map(
                static fn (mixed $one): float => is_numeric($one) ? (float) $one : NAN,
                array_values((array) $row),
            ),
            array_values($rows),
        );
    }
}
