<?php

declare(strict_types=1);

namespace HonestCore\Custody;

use HonestCore\Table\RuleTable;

/**
 * How long a portion still keeps, by the tests that are asked of it.
 *
 * Quantity and unit: `usedShare` of the time it has, 0 to 1 and more; `deadline` in seconds since 1970, UTC, when the
 * rest runs
 *   out if it stays as it is; null where nothing hurries. Warm time and chilled time each use their share; frozen uses
 * none.
 * Domain: trails of CustodyTrail; the clock starts when the cores were pulled and stops at the lab, the bench or the
 * freezer.
 * Source: data/storage.json.
 */
final readonly class StorageClock
{
    private function __construct(
        public ?float $usedShare,
        public ?int $deadline,
        public string $rule,
        public bool $over,
        public bool $soon,
    ) {}

    /** @param list<string> $tests codes of what is asked of the portion */
    public static function of(array $tests, CustodyTrail $trail, int $pulledAt, int $now): self
    {
        $table = self::table();
        if (array_intersect($tests, $table['hasty']) === []) {
            return self::patient($trail, $pulledAt, $now, $table['moist_h'] * 3600);
        }
        $used = 0.0;
        $rate = 1 / ($table['warm_h'] * 3600);
        $since = $pulledAt;
        foreach ($trail->lines as $i => $line) {
            $used += max(0, $line->at - $since) * $rate;
            $since = max($since, $line->at);
            $rate = self::rate($trail->states[$i], $line, $rate, $table);
        }
        $used += max(0, $now - $since) * $rate;
        $running = $rate > 0;
        $spoiled = in_array('dried', $trail->states, true);
        $deadline = $running ? (int) round($now + (1 - $used) / $rate) : null;
        $rule = $spoiled
            ? 'It was dried on paper, and drying changes nitrate: do not trust a nitrate result of it.'
            : "Nitrate: {$table['warm_h']} h warm, {$table['chilled_h']} h chilled to {$table['chilled_most_c']} °C at most, or frozen.";

        return new self($used, $deadline, $rule, $used >= 1 || $spoiled, $running && $used >= $table['soon_share']);
    }

    /** @return list<string> codes of the tests that hurry */
    public static function hasty(): array
    {
        return self::table()['hasty'];
    }

    /**
     * @return array{ready: int, over: int}|null when soil that was spread is dry, from and to; null when it is not
     *                                           spread
     */
    public static function drying(CustodyTrail $trail): ?array
    {
        $spread = $trail->timeOf('drying');
        $table = self::table();

        return $trail->state() !== 'drying' || $spread === null
            ? null
            : [
                'ready' => $spread + $table['drying_least_h'] * 3600,
                'over' => $spread + $table['drying_most_h'] * 3600,
            ];
    }

    /** What is to be said of soil taken up after some seconds of drying; empty when it dried long enough. */
    public static function afterDrying(int $seconds): string
    {
        $table = self::table();

        return $seconds >= $table['drying_least_h'] * 3600
            ? ''
            : sprintf(
                'It dried %s h; %d to %d h in air is usual, and no oven. Feel it: what is still cool to the hand is '.
                    'moist, and moist soil neither mixes nor keeps.',
                round($seconds / 3600, 1),
                $table['drying_least_h'],
                $table['drying_most_h'],
            );
    }

    private static function patient(CustodyTrail $trail, int $pulledAt, int $now, int $moistS): self
    {
        $moist = $trail->state() === 'split';

        return $moist
            ? new self(
                ($now - $pulledAt) / $moistS,
                $pulledAt + $moistS,
                'Spread it to dry: moist soil in a bag goes on changing. Air-dry it keeps.',
                false,
                $now >= $pulledAt + $moistS,
            )
            : new self(null, null, 'Keeps when dry.', false, false);
    }

    /** @param array{warm_h: int, chilled_h: int, chilled_most_c: int} $table */
    private static function rate(string $state, TrailLine $line, float $before, array $table): float
    {
        [$warm, $chilled] = [1 / ($table['warm_h'] * 3600), 1 / ($table['chilled_h'] * 3600)];
        if (
            $line->celsius !== null &&
            ! in_array($state, ['frozen', 'arrived', 'measured', 'reported', 'used_up', 'discarded'], true)
        ) {
            return $line->celsius <= $table['chilled_most_c'] ? $chilled : $warm;
        }

        return match ($state) {
            'frozen', 'arrived', 'measured', 'reported', 'used_up', 'discarded' => 0.0,
            'chilled' => $chilled,
            'packed', 'sent', 'lost' => $before,
            default => $warm,
        };
    }

    /**
     * @return array{hasty: list<string>, warm_h: int, chilled_h: int, chilled_most_c: int, drying_least_h: int,
     * drying_most_h: int, moist_h: int, soon_share: float}
     */
    private static function table(): array
    {
        /**
         * @var array{hasty: list<string>, warm_h: int, chilled_h: int, chilled_most_c: int, drying_least_h: int,
         * drying_most_h: int, moist_h: int, soon_share: float} $table
         */
        $table = RuleTable::named('storage');

        return $table;
    }
}
