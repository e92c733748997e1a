<?php

declare(strict_types=1);

namespace HonestCore\FollowUp;

use HonestCore\Sampling\AreaFacts;
use HonestCore\Table\Fields;
use HonestCore\Table\RuleTable;

/**
 * The one history of an area: what its facts say, what was noted beside transects, and what the spreader logged.
 *
 * Quantity and unit: see GroundAct; the soonest first.
 * Source: the days after spreading in data/program-rules.json, common practice.
 */
final readonly class GroundHistory
{
    /** @param list<GroundAct> $acts */
    private function __construct(public array $acts) {}

    /** @param list<GroundAct> $noted */
    public static function of(AreaFacts $facts, array $noted): self
    {
        $said = array_map(
            static fn (array $event): GroundAct => GroundAct::said($event['kind'], $event['on'], $event['part'], $event['note']),
            $facts->events,
        );
        $acts = [...$said, ...$noted];
        usort($acts, static fn (GroundAct $a, GroundAct $b): int => [$a->from, $a->id] <=> [$b->from, $b->id]);

        return new self($acts);
    }

    /**
     * What was spread so shortly before a day that what is pulled then shows it as grains, not as soil.
     *
     * @return list<GroundAct>
     */
    public function shortlyBefore(\DateTimeImmutable $day): array
    {
        $days = (new Fields(RuleTable::named('program-rules')))->whole('spread_before_pull_days');
        [$since, $until] = [$day->modify("-{$days} days")->format('Y-m-d'), $day->format('Y-m-d')];

        return array_values(
            array_filter(
                $this->acts,
                static fn (GroundAct $act): bool => $act->isSpread() &&
                    $act->isOfOneDay() &&
                    $act->from >= $since &&
                    $act->from <= $until,
            ),
        );
    }

    /**
     * What a plan is told whose day lies too soon after something was spread.
     *
     * @return list<string>
     */
    public function warnings(\DateTimeImmutable $day): array
    {
        $days = (new Fields(RuleTable::named('program-rules')))->whole('spread_before_pull_days');

        return array_map(
            static function (GroundAct $act) use ($day, $days): string {
                $spread = new \DateTimeImmutable($act->from);
                $ago = (int) $spread->diff($day)->days;

                return "{$act->what} was spread on {$spread->format('j M Y')}, {$ago} days before: a core would bring up grains. ".
                    "Wait until {$spread->modify('+'.($days + 1).' days')->format('j M Y')}.";
            },
            $this->shortlyBefore($day),
        );
    }

    /** Facts with what was logged among their events: lime where it brings lime, else fertiliser; with its year and month. */
    public function intoFacts(AreaFacts $facts): AreaFacts
    {
        $events = $facts->events;
        $known = array_fill_keys(array_map(static fn (array $one): string => "{$one['kind']} {$one['on']}", $events), true);
        foreach ($this->acts as $act) {
            $kind = ($act->brings['lime'] ?? 0.0) > 0 ? 'lime' : 'fertiliser';
            $on = substr($act->from, 0, 7);
            if ($act->isSpread() && $act->source === 'log' && ! isset($known["{$kind} {$on}"]) && $act->lbPerAcre !== 0.0) {
                $known["{$kind} {$on}"] = true;
                $events[] = ['kind' => $kind, 'on' => $on, 'part' => false, 'note' => $act->what];
            }
        }

        return AreaFacts::of(['events' => $events] + $facts->toArray());
    }

    /**
     * What was spread between two days, the first not among them.
     *
     * @return list<GroundAct>
     */
    public function spreadBetween(string $after, string $until): array
    {
        return array_values(
            array_filter(
                $this->acts,
                static fn (GroundAct $act): bool => $act->isSpread() && $act->to > $after && $act->from <= $until,
            ),
        );
    }

    /**
     * What was spread between two days and brought some of what a program line is of.
     *
     * @return list<GroundAct>
     */
    public function broughtBetween(string $key, string $after, string $until): array
    {
        return array_values(
            array_filter($this->spreadBetween($after, $until), static fn (GroundAct $act): bool => $act->isOf($key)),
        );
    }

    /**
     * What was spread between two days, and nobody knows what it brings.
     *
     * @return list<GroundAct>
     */
    public function unknownBetween(string $after, string $until): array
    {
        return array_values(
            array_filter($this->spreadBetween($after, $until), static fn (GroundAct $act): bool => $act->isUnknown()),
        );
    }

    /**
     * Days on which something was spread: what is pulled before one and after it are not one round.
     *
     * @return list<string>
     */
    public function spreadDays(): array
    {
        $days = array_filter(
            $this->acts,
            static fn (GroundAct $act): bool => $act->isSpread() && $act->isOfOneDay() && $act->lbPerAcre !== 0.0,
        );

        return array_values(array_map(static fn (GroundAct $act): string => $act->from, $days));
    }
}
