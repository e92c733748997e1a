<?php

declare(strict_types=1);

namespace App\Actions\FollowUp;

use HonestCore\FollowUp\SeriesPoint;
use HonestCore\FollowUp\SpreadOfLine;
use HonestCore\Table\Fields;
use HonestCore\Table\RuleTable;

/**
 * The rounds that an answer holds against each other: the last before what was spread, and the first since that gave it its time,
 * else the newest since. Where several labs measured in one round, those that a series may be drawn through.
 */
final readonly class HeldRounds
{
    private function __construct(public ?PulledRound $before, public ?PulledRound $after) {}

    /** @param list<PulledRound> $rounds the soonest first */
    public static function of(array $rounds, SpreadOfLine $spread, string $key): self
    {
        if ($spread->first === '') {
            return new self($rounds[count($rounds) - 1] ?? null, null);
        }
        $before = self::where($rounds, static fn (string $on): bool => $on <= $spread->first);
        $since = self::where(
            $rounds,
            static fn (string $on): bool => $on > $spread->last && ($spread->nextOther === '' || $on <= $spread->nextOther),
        );
        $due = self::due($spread->last, $key);
        $ripe = self::where($since, static fn (string $on): bool => $on >= $due);
        [$last, $next] = [$before[count($before) - 1] ?? null, $ripe[0] ?? $since[count($since) - 1] ?? null];

        return $last === null || $next === null
            ? new self($last, $next)
            : self::matched(self::besides($before, $last), self::besides($ripe === [] ? $since : $ripe, $next)) ?? new self($last, $next);
    }

    /**
     * Rounds of a control that were pulled in the same rounds as these.
     *
     * @param list<PulledRound> $ofControl
     * @return array{SeriesPoint, SeriesPoint}|null before and after
     */
    public function beside(array $ofControl): ?array
    {
        if ($this->before === null || $this->after === null) {
            return null;
        }
        $near = static fn (PulledRound $of): ?PulledRound => self::fewestBreaks(
            self::besides($ofControl, $of),
            static fn (PulledRound $one): array => $one->point->breaksFrom($of->point, PHP_INT_MAX),
        );
        [$before, $after] = [$near($this->before), $near($this->after)];

        return $before === null || $after === null ? null : [$before->point, $after->point];
    }

    /**
     * @param list<PulledRound> $before
     * @param list<PulledRound> $after
     */
    private static function matched(array $before, array $after): ?self
    {
        $season = (new Fields(RuleTable::named('follow-up')))->whole('same_season_days');
        $pairs = [];
        foreach ($before as $one) {
            foreach ($after as $other) {
                $pairs[] = new self($one, $other);
            }
        }

        return self::fewestBreaks(
            $pairs,
            static fn (self $pair): array => $pair->before === null || $pair->after === null
                ? []
                : $pair->after->point->breaksFrom($pair->before->point, $season),
        );
    }

    /**
     * @template T of object
     *
     * @param list<T> $of the first comes first
     * @param \Closure(T): list<string> $breaks
     * @return T|null
     */
    private static function fewestBreaks(array $of, \Closure $breaks): ?object
    {
        usort($of, static fn (object $a, object $b): int => count($breaks($a)) <=> count($breaks($b)));

        return $of[0] ?? null;
    }

    /**
     * Those within the days of one round of another, itself first.
     *
     * @param list<PulledRound> $rounds
     * @return list<PulledRound>
     */
    private static function besides(array $rounds, PulledRound $of): array
    {
        $days = (new Fields(RuleTable::named('follow-up')))->whole('round_days');
        $beside = array_values(array_filter($rounds, static fn (PulledRound $one): bool => $one->daysFrom($of) <= $days));
        usort($beside, static fn (PulledRound $a, PulledRound $b): int => $a->daysFrom($of) <=> $b->daysFrom($of));

        return $beside;
    }

    /**
     * @param list<PulledRound> $rounds
     * @param \Closure(string): bool $isWanted of its day
     * @return list<PulledRound>
     */
    private static function where(array $rounds, \Closure $isWanted): array
    {
        return array_values(array_filter($rounds, static fn (PulledRound $one): bool => $isWanted($one->point->on)));
    }

    /** The day from which what was spread has had its time. */
    private static function due(string $spread, string $key): string
    {
        $works = new Fields((new Fields(RuleTable::named('follow-up')))->row('works_days'));
        $days = $works->has($key) ? $works->whole($key) : $works->whole('other');

        return (new \DateTimeImmutable($spread))->modify("+{$days} days")->format('Y-m-d');
    }
}
