<?php

declare(strict_types=1);

namespace HonestCore\FollowUp;

/**
 * What was really spread of one line of a program, out of the history of its ground.
 *
 * Quantity and unit: lb an acre of what the line is of; days as Y-m-d.
 * Rule: what was noted as of the program counts, and what else brought the same since the round it is held against, until its last
 * day; an entry for the whole area counts on every part.
 */
final readonly class SpreadOfLine
{
    /** The first day on which any of it was spread; empty where none was. */
    public string $first;

    public string $last;

    /** The first day after it on which something else brought the same; empty where nothing did. */
    public string $nextOther;

    /** @var list<GroundAct> */
    public array $acts;

    /** Was it noted that nothing was spread? */
    public bool $declined;

    /** @var list<string> what was noted as of the program, and nobody knows what it brings */
    public array $unknown;

    /**
     * @param list<GroundAct> $history the soonest first
     * @param string $round the day of the round it is held against, after which all counts that brought the same; empty while none is
     */
    public function __construct(private array $history, private int $program, private string $key, string $round = '')
    {
        $spread = self::where($history, static fn (GroundAct $act): bool => $act->isSpread() && $act->isOfOneDay());
        $ofProgram = self::where($spread, fn (GroundAct $act): bool => $act->program === $this->program);
        $own = self::where($ofProgram, static fn (GroundAct $act): bool => $act->isOf($key));
        $unknown = self::where($ofProgram, static fn (GroundAct $act): bool => $act->isUnknown());
        $this->declined = self::where($ofProgram, static fn (GroundAct $act): bool => $act->lbPerAcre === 0.0) !== [];
        $this->unknown = $own === [] ? array_map(static fn (GroundAct $act): string => $act->what, $unknown) : [];
        $days = self::days($own === [] ? $unknown : $own);
        [$first, $last] = $days === [] ? ['', ''] : [min($days), max($days)];
        [$this->first, $this->last] = [$first, $last];
        $others = self::where(
            $spread,
            fn (GroundAct $act): bool => $last !== '' && $act->from > $last && $act->program !== $this->program && $act->isOf($key),
        );
        $later = self::days($others);
        $this->nextOther = $later === [] ? '' : min($later);
        $this->acts = self::where(
            $spread,
            static fn (GroundAct $act): bool => $first !== '' &&
                ($round === '' ? $act->from >= $first : $act->from > $round) &&
                $act->from <= $last &&
                $act->isOf($key),
        );
    }

    /** The same, held against a round of that day. */
    public function since(string $round): self
    {
        return new self($this->history, $this->program, $this->key, $round);
    }

    /**
     * @param list<GroundAct> $acts
     * @param \Closure(GroundAct): bool $isWanted
     * @return list<GroundAct>
     */
    private static function where(array $acts, \Closure $isWanted): array
    {
        return array_values(array_filter($acts, $isWanted));
    }

    /**
     * @param list<GroundAct> $acts
     * @return list<string>
     */
    private static function days(array $acts): array
    {
        return array_map(static fn (GroundAct $act): string => $act->from, $acts);
    }

    /** On one part. */
    private function on(int $part): float
    {
        $pounds = 0.0;
        foreach ($this->acts as $act) {
            $pounds += $act->part === $part || $act->part === 0 || $part === 0 ? $act->brings[$this->key] ?? 0.0 : 0.0;
        }

        return $pounds;
    }

    /**
     * Over all parts of the line, by their ground.
     *
     * @param non-empty-list<SizedLine> $lines
     */
    public function pounds(array $lines): float
    {
        return self::mean($lines, fn (SizedLine $line): float => $this->on($line->part));
    }

    /**
     * The change that the school expects of it; null where no school said so of every part.
     *
     * @param non-empty-list<SizedLine> $lines
     */
    public function expected(array $lines): ?float
    {
        foreach ($lines as $line) {
            if ($line->expects === null) {
                return null;
            }
        }

        return self::mean($lines, fn (SizedLine $line): float => $line->expects?->of($this->on($line->part)) ?? 0.0);
    }

    /**
     * Plots of two rounds that lie on the parts of the line; none where the line is of some parts only, and they were not pulled alike.
     *
     * @param non-empty-list<SizedLine> $lines
     * @return list<int|string>
     */
    public static function plotsOf(array $lines, SeriesPoint $before, SeriesPoint $after): array
    {
        $own = self::onParts($lines, array_keys($before->values));
        $both = array_values(array_intersect($own, array_keys($after->values)));
        $isAll = $lines[0]->part === 0 || ($own !== [] && count($own) === count($before->values));

        return $both !== [] || ! $isAll ? $both : [...array_keys($before->values), ...array_keys($after->values)];
    }

    /**
     * @param non-empty-list<SizedLine> $lines
     * @param list<int|string> $plots
     * @return list<int|string>
     */
    private static function onParts(array $lines, array $plots): array
    {
        $parts = array_map(static fn (SizedLine $line): int => $line->part, $lines);

        return array_values(
            array_filter(
                $plots,
                static fn (int|string $plot): bool => preg_match('/^part (\d+) of /', (string) $plot, $m) === 1 &&
                    in_array((int) $m[1], $parts, true),
            ),
        );
    }

    /**
     * @param non-empty-list<SizedLine> $lines
     * @param \Closure(SizedLine): float $of
     */
    private static function mean(array $lines, \Closure $of): float
    {
        [$sum, $ground] = [0.0, 0.0];
        foreach ($lines as $line) {
            $sum += $of($line) * $line->squareMetres;
            $ground += $line->squareMetres;
        }

        return $ground > 0 ? $sum / $ground : 0.0;
    }
}
