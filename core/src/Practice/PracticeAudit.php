<?php

declare(strict_types=1);

namespace HonestCore\Practice;

use HonestCore\Agreement\Verdict;

/**
 * The tool on trial: what its verdicts were worth over many seasons of ground whose truth is known.
 *
 * Quantity and unit: counts of seasons, of composites, and of verdicts.
 */
final class PracticeAudit
{
    public const CLAIMS = ['sort', 'rate', 'track'];

    private int $seasons = 0;

    /** @var array<string, array<string, array{true: int, false: int}>> by claim and verdict: how often the claim held */
    private array $verdicts = [];

    private int $sure = 0;

    private int $sureAndRight = 0;

    private int $tooClose = 0;

    private int $tooCloseAndWrong = 0;

    private int $sized = 0;

    private int $sizedRight = 0;

    public function add(PracticeSeason $season): void
    {
        $this->seasons++;
        foreach (self::CLAIMS as $claim) {
            $verdict = $season->verdicts[$claim]->value;
            $this->verdicts[$claim][$verdict] ??= ['true' => 0, 'false' => 0];
            $this->verdicts[$claim][$verdict][$season->true[$claim] ? 'true' : 'false']++;
        }
        $this->sure += $season->sure;
        $this->sureAndRight += $season->sureAndRight;
        $this->tooClose += $season->tooClose;
        $this->tooCloseAndWrong += $season->tooCloseAndWrong;
        $this->sized += $season->sized;
        $this->sizedRight += $season->sizedRight;
    }

    /** How often a verdict was given of a claim that holds, or of one that does not. */
    public function count(string $claim, Verdict $verdict, bool $holds): int
    {
        return $this->verdicts[$claim][$verdict->value][$holds ? 'true' : 'false'] ?? 0;
    }

    /** In how many seasons a claim did not hold: those in which "stands" would be false. */
    public function untrue(string $claim): int
    {
        return array_sum(array_column($this->verdicts[$claim] ?? [], 'false'));
    }

    /**
     * @return array{seasons: int, claims: array<string, array{stands: int, stands_falsely: int, falls: int, falls_falsely: int,
     *     open: int, untrue: int}>, sure: int, sure_and_right: int, too_close: int, too_close_and_wrong: int, sized: int,
     *     sized_right: int}
     */
    public function toArray(): array
    {
        $claims = [];
        foreach (self::CLAIMS as $claim) {
            [$stands, $standsFalsely] = [$this->count($claim, Verdict::Stands, true), $this->count($claim, Verdict::Stands, false)];
            [$falls, $fallsFalsely] = [$this->count($claim, Verdict::Falls, false), $this->count($claim, Verdict::Falls, true)];
            $claims[$claim] = [
                'stands' => $stands + $standsFalsely,
                'stands_falsely' => $standsFalsely,
                'falls' => $falls + $fallsFalsely,
                'falls_falsely' => $fallsFalsely,
                'open' => $this->seasons - $stands - $standsFalsely - $falls - $fallsFalsely,
                'untrue' => $this->untrue($claim),
            ];
        }

        return [
            'seasons' => $this->seasons,
            'claims' => $claims,
            'sure' => $this->sure,
            'sure_and_right' => $this->sureAndRight,
            'too_close' => $this->tooClose,
            'too_close_and_wrong' => $this->tooCloseAndWrong,
            'sized' => $this->sized,
            'sized_right' => $this->sizedRight,
        ];
    }
}
