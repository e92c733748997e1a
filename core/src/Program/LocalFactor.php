<?php

declare(strict_types=1);

namespace HonestCore\Program;

use HonestCore\Agreement\Words;
use HonestCore\Error\Bounds;
use HonestCore\Error\ValueOutOfRange;
use HonestCore\Table\Fields;
use HonestCore\Table\RuleTable;
use HonestCore\Table\Stored;

/**
 * What a school's word was worth on the ground of a team: its changes came to so much of what it had expected.
 *
 * Quantity and unit: the share observed of expected, no unit. A rate is divided by it, beyond what leaves the result as it is.
 * Domain: the factor from 0.5 to 2.
 * Rule: only where a reviewer put it to use; what one dressing may hold bounds it.
 * Source: data/follow-up.json, data/lime-schools.json.
 */
final readonly class LocalFactor implements Stored
{
    private const LB_PER_TON = 2000.0;

    /** Schools whose rates are of lime: a dressing of it has a bound. */
    private const NOT_LIME = ['sulphur', 'build-p', 'build-k'];

    /** @param array{float, float} $interval */
    private function __construct(public string $school, public float $factor, public int $programs, public array $interval) {}

    /** @throws ValueOutOfRange */
    public static function fromRow(array $row): self
    {
        $fields = new Fields($row);
        $rule = new Fields((new Fields(RuleTable::named('follow-up')))->row('local_factor'));
        Bounds::within('local_factor', $fields->number('factor'), $rule->number('low'), $rule->number('high'));

        return new self(
            $fields->text('school'),
            $fields->number('factor'),
            $fields->whole('programs'),
            $fields->pairOrNull('interval') ?? [NAN, NAN],
        );
    }

    public function toRow(): array
    {
        return [
            'school' => $this->school,
            'factor' => $this->factor,
            'programs' => $this->programs,
            'interval' => $this->interval,
        ];
    }

    /**
     * A line as the factors that are in use leave it.
     *
     * @param list<self> $factors
     */
    public static function all(array $factors, ProgramLine $line): ProgramLine
    {
        return array_reduce($factors, static fn (ProgramLine $it, self $one): ProgramLine => $it->corrected($one), $line);
    }

    /** The rate that brings what the school had promised of this one. */
    public function rate(float $lbPerAcre, float $zeroLb): float
    {
        return $lbPerAcre <= $zeroLb ? $lbPerAcre : $zeroLb + ($lbPerAcre - $zeroLb) / $this->factor;
    }

    /** More than this does not go on in one dressing, lb an acre. */
    public function most(): float
    {
        return in_array($this->school, self::NOT_LIME, true)
            ? INF
            : (new Fields(RuleTable::named('lime-schools')))->number('dressing_tons_per_acre') * self::LB_PER_TON;
    }

    /** Of what waits for a retest, which has no amount yet. */
    public function wordsOfRest(): string
    {
        return 'Before the local factor '.Words::trim($this->factor, 2).', which will divide it too.';
    }

    public function words(float $was): string
    {
        return 'Local factor '.Words::trim($this->factor, 2).': on your ground this school reached '.
            Words::trim($this->factor * 100, 0).' % of what it had expected, '.Words::trim($this->interval[0] * 100, 0).' to '.
            Words::trim($this->interval[1] * 100, 0)." %, in {$this->programs} programs. Without it ".Words::trim($was, 1).' lb/acre.';
    }
}
