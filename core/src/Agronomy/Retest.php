<?php

declare(strict_types=1);

namespace HonestCore\Agronomy;

use HonestCore\Error\BadTable;
use HonestCore\Table\RuleTable;

/**
 * When ground is due for its next test, and every reason why then.
 *
 * Quantity and unit: calendar dates as Y-m-d.
 * Rule: within 3 years; within 1 while something is being corrected and was spread, after a large rate, at a new site, after a
 * problem, where none was recommended for phosphorus. The soonest decides, but no retest before what was spread has had its time.
 * What was recommended and, as far as anybody noted, never spread brings nothing forward.
 * Source: the tables in data/retest.json and data/follow-up.json, common practice.
 */
final readonly class Retest
{
    private const NAMES = ['ph' => 'the pH', 'p2o5' => 'phosphorus', 'k2o' => 'potassium'];

    /** @param list<array{due: string, why: string}> $reasons the soonest first */
    private function __construct(public string $due, public array $reasons) {}

    /**
     * @param string $pulled the day of the last round
     * @param string|null $spread the last day on which something that corrects was spread since then
     * @param list<string> $corrected what the program corrects: ph, p2o5, k2o
     * @param bool $large whether a large rate was spread since then
     * @param string $problem what went wrong since then, in words
     *
     * @throws BadTable
     */
    public static function of(
        string $pulled,
        ?string $spread = null,
        array $corrected = [],
        bool $large = false,
        bool $newSite = false,
        string $problem = '',
        bool $noPhosphorus = false,
    ): self {
        /** @var array{usual_years: int, correcting_years: int} $table */
        $table = RuleTable::named('retest');
        /** @var array{works_days: array{lime: int}} $rules */
        $rules = RuleTable::named('follow-up');
        $works = $rules['works_days']['lime'];
        $soon = self::yearsAfter($pulled, $table['correcting_years']);
        $usual = self::yearsAfter($pulled, $table['usual_years']);
        $waited = $spread === null ? '' : (new \DateTimeImmutable($spread))->modify("+{$works} days")->format('Y-m-d');
        $what = implode(' and ', array_map(static fn (string $one): string => self::NAMES[$one] ?? $one, $corrected));
        $reasons = [
            [
                $soon,
                $corrected !== [] && $spread !== null,
                ucfirst($what).(count($corrected) > 1 ? ' are' : ' is').' being corrected, and was spread',
            ],
            [$soon, $large, 'A large rate was spread'],
            [$soon, $problem !== '', "A problem was noted: {$problem}"],
            [$soon, $noPhosphorus, 'No phosphorus was recommended'],
            [$soon, $newSite, 'The site is new'],
            [
                $usual,
                true,
                $corrected !== [] && $spread === null
                    ? 'To be corrected, but nobody noted that it was spread'
                    : "Within {$table['usual_years']} years",
            ],
        ];
        $said = [];
        foreach ($reasons as [$due, $holds, $why]) {
            if ($holds) {
                $late = $due < $waited;
                $said[] = [
                    'due' => $late ? $waited : $due,
                    'why' => $late ? "{$why}; not before it has had {$works} days" : $why,
                ];
            }
        }

        return new self($said[0]['due'], $said);
    }

    /** The same day of a later year; the 29th of February is the 28th where there is none. */
    private static function yearsAfter(string $day, int $years): string
    {
        $year = (int) substr($day, 0, 4) + $years;
        $rest = substr($day, 4);

        return $year.($rest === '-02-29' && ! checkdate(2, 29, $year) ? '-02-28' : $rest);
    }
}
