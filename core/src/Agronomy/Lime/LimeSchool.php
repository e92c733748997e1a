<?php

declare(strict_types=1);

namespace HonestCore\Agronomy\Lime;

use HonestCore\Error\BadTable;
use HonestCore\Table\RuleTable;

/**
 * A school of lime requirement: whose reading it takes, for which depth and for which stone its rates are made.
 *
 * Source: the table in data/lime-schools.json.
 */
enum LimeSchool: string
{
    case Smp = 'smp';
    case Mehlich = 'mehlich';
    case AdamsEvans = 'adams_evans';
    case Capacity = 'capacity';

    public function title(): string
    {
        return $this->row()['title'];
    }

    public function source(): string
    {
        return $this->row()['source'].($this->row()['memory'] ? ' (written from memory)' : '');
    }

    /** What is to be said beside a rate of this school; empty where there is nothing. */
    public function said(): string
    {
        return $this->row()['said'];
    }

    /** Depth its rates are made for, in inches; null where they follow the depth asked for. */
    public function depthIn(): ?float
    {
        $depth = $this->row()['depth_in'];

        return $depth === null ? null : (float) $depth;
    }

    /** Effectiveness of the stone its rates are made for. */
    public function effectiveness(): float
    {
        $row = $this->row();

        return isset($row['cce'], $row['p8'], $row['p60'])
            ? LimeMaterial::ground((float) $row['cce'], (float) $row['p8'], (float) $row['p60'])->effectiveness()
            : (float) ($row['effectiveness'] ?? NAN);
    }

    /** A buffer reading held within what the school has rates for. */
    public function held(float $reading): float
    {
        [$low, $high] = $this->row()['buffer'];

        return min(max($reading, $low ?? -INF), $high ?? INF);
    }

    /**
     * The school's own rate: its own stone, its own depth.
     *
     * @param float $depthIn the depth asked for, which only the measured capacity takes
     *
     * @throws BadTable
     */
    public function rate(float $ph, float $reading, float $target, float $depthIn): LimeRate
    {
        return match ($this) {
            self::Smp => SmpBuffer::rate(SoilAcidity::near($ph, $reading), $target),
            self::Mehlich => MehlichBuffer::rate(SoilAcidity::near($ph, $reading), $target),
            self::AdamsEvans => AdamsEvansBuffer::rate(SoilAcidity::near($ph, $reading), $target),
            self::Capacity => BufferCapacity::rate($ph, $reading, $target, $depthIn),
        };
    }

    /**
     * @return array{title: string, source: string, depth_in: float|int|null, cce?: float|int, p8?: float|int,
     * p60?: float|int, effectiveness?: float|int, buffer: array{float|int|null, float|int|null}, memory: bool, said: string}
     */
    private function row(): array
    {
        /**
         * @var array<string, array{title: string, source: string, depth_in: float|int|null, cce?: float|int,
         * p8?: float|int, p60?: float|int, effectiveness?: float|int, buffer: array{float|int|null, float|int|null},
         * memory: bool, said: string}> $schools
         */
        $schools = RuleTable::named('lime-schools')['schools'];

        return $schools[$this->value];
    }
}
