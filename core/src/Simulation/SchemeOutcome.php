<?php

declare(strict_types=1);

namespace HonestCore\Simulation;

/**
 * What a scheme costs and what it would have limed wrongly.
 *
 * Quantities and units: acres, US tons, hours, the user's own money; `margin` is 1.96 times the root mean square error
 * of
 * a composite's pH. `best` is the least total cost; `sure` says that the best is cheaper by more than chance.
 */
final readonly class SchemeOutcome
{
    public function __construct(
        public Scheme $scheme,
        public float $hours,
        public float $labMoney,
        public float $margin,
        public Figure $needlessAcres,
        public Figure $missedAcres,
        public Figure $misplacedTons,
        public Figure $wrongMoney,
        public Figure $totalMoney,
        public bool $best,
        public bool $sure,
    ) {}

    /**
     * @return array{code: string, name: string, samples: int, cores: int, hours: float, lab_money: float,
     * margin: float, needless_acres: array{float, float}, missed_acres: array{float, float}, misplaced_tons: array{float,
     * float}, wrong_money: array{float, float}, total_money: array{float, float}, best: bool, sure: bool}
     */
    public function toArray(): array
    {
        return [
            'code' => $this->scheme->code,
            'name' => $this->scheme->name,
            'samples' => $this->scheme->samples(),
            'cores' => $this->scheme->samples() * $this->scheme->cores,
            'hours' => $this->hours,
            'lab_money' => $this->labMoney,
            'margin' => $this->margin,
            'needless_acres' => $this->needlessAcres->toArray(),
            'missed_acres' => $this->missedAcres->toArray(),
            'misplaced_tons' => $this->misplacedTons->toArray(),
            'wrong_money' => $this->wrongMoney->toArray(),
            'total_money' => $this->totalMoney->toArray(),
            'best' => $this->best,
            'sure' => $this->sure,
        ];
    }
}
