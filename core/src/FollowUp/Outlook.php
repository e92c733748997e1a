<?php

declare(strict_types=1);

namespace HonestCore\FollowUp;

use HonestCore\Table\Fields;
use HonestCore\Table\Stored;

/**
 * What lists need to know of a signed program: what it corrects, and what it gives none of.
 *
 * Quantity and unit: keys of lines; ph for lime and sulphur.
 */
final readonly class Outlook implements Stored
{
    private const CORRECT = ['lime' => 'ph', 'sulphur' => 'ph', 'p2o5' => 'p2o5', 'k2o' => 'k2o'];

    /**
     * @param list<string> $corrects
     * @param list<string> $none
     * @param list<PlannedLine> $lines what goes on when, the soonest first
     * @param list<SizedLine> $sized
     */
    private function __construct(public array $corrects, public array $none, public array $lines, public array $sized) {}

    /** @param array<mixed> $body of a program */
    public static function of(array $body): self
    {
        [$corrects, $none, $sized] = [[], [], []];
        foreach ((new Fields($body))->rows('parts') as $part) {
            foreach ((new Fields($part))->rows('steps') as $step) {
                foreach ((new Fields($step))->rows('lines') as $line) {
                    $fields = new Fields($line);
                    $key = $fields->text('key');
                    $pounds = $fields->numberOrNull('lb_per_acre');
                    $name = self::CORRECT[$key] ?? '';
                    if ($name !== '' && $pounds !== null && $pounds > 0) {
                        $corrects[$name] = true;
                        $sized[] = SizedLine::of(new Fields($part), $fields);
                    }
                    if ($name !== '' && $fields->text('kind') === 'zero') {
                        $none[$key] = true;
                    }
                }
            }
        }

        return new self(array_keys($corrects), array_keys($none), self::linesOf($body), $sized);
    }

    /**
     * @param array<mixed> $body
     * @return list<PlannedLine>
     */
    private static function linesOf(array $body): array
    {
        $lines = [];
        foreach ((new Fields($body))->rows('parts') as $row) {
            $part = new Fields($row);
            $names = [];
            foreach ($part->rows('amounts') as $amount) {
                $names[(new Fields($amount))->text('product')] = (new Fields($amount))->text('name');
            }
            $of = ['part' => $part->whole('number'), 'label' => $part->text('label'), 'area_m2' => $part->number('area_m2')];
            foreach ($part->rows('days') as $day) {
                $product = (new Fields($day))->text('product');
                $lines[] = PlannedLine::fromRow($of + $day + ['name' => $names[$product] ?? $product]);
            }
        }
        usort($lines, static fn (PlannedLine $a, PlannedLine $b): int => [$a->on, $a->part] <=> [$b->on, $b->part]);

        return $lines;
    }

    /** The line of that name; null where there is none. */
    public function line(string $key): ?PlannedLine
    {
        foreach ($this->lines as $line) {
            if ($line->key() === $key) {
                return $line;
            }
        }

        return null;
    }

    /**
     * What an application corrects by what it brings.
     *
     * @param array<string, float> $brings
     * @return list<string>
     */
    public static function correctedBy(array $brings): array
    {
        $found = [];
        foreach ($brings as $key => $pounds) {
            if (isset(self::CORRECT[$key]) && $pounds > 0) {
                $found[self::CORRECT[$key]] = true;
            }
        }

        return array_keys($found);
    }

    public static function fromRow(array $row): self
    {
        $fields = new Fields($row);

        return new self(
            $fields->texts('corrects'),
            $fields->texts('none'),
            array_map(PlannedLine::fromRow(...), $fields->rows('lines')),
            array_map(SizedLine::fromRow(...), $fields->rows('sized')),
        );
    }

    public function toRow(): array
    {
        return [
            'corrects' => $this->corrects,
            'none' => $this->none,
            'lines' => array_map(static fn (PlannedLine $one): array => $one->toRow(), $this->lines),
            'sized' => array_map(static fn (SizedLine $one): array => $one->toRow(), $this->sized),
        ];
    }
}
