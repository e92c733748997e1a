<?php

declare(strict_types=1);

namespace HonestCore\Custody;

use HonestCore\Error\ImpossibleStep;
use HonestCore\Table\RuleTable;

/**
 * A kind of step on a portion's way: from which states it may be taken, and where it leads.
 *
 * Source: data/custody-steps.json.
 */
final readonly class CustodyStep
{
    public const WITHDRAWN = 'withdrawn';

    /** The state of a portion that was split off. */
    public const BEGINNING = 'split';

    /** @param list<string> $from */
    private function __construct(public string $code, public string $name, public array $from, private string $to) {}

    /** @throws ImpossibleStep */
    public static function of(string $code): self
    {
        $row = self::table()['steps'][$code] ?? null;

        return $row === null
            ? throw new ImpossibleStep('no_step', [
                'code' => $code,
                'known' => implode(', ', array_keys(self::table()['steps'])),
            ])
            : new self($code, $row['name'], $row['from'], $row['to']);
    }

    /** @return list<self> */
    public static function all(): array
    {
        return array_map(self::of(...), array_keys(self::table()['steps']));
    }

    /** What a step is called; of one that is none, its code. */
    public static function named(string $code): string
    {
        return self::table()['steps'][$code]['name'] ?? $code;
    }

    public static function stateName(string $state): string
    {
        return self::table()['states'][$state] ?? $state;
    }

    /** How far a clock may run ahead before a time lies in the future, in seconds. */
    public static function futureS(): int
    {
        return self::table()['future_s'];
    }

    public function mayFollow(?string $state): bool
    {
        return $state === null
            ? in_array($this->code, self::table()['begin'], true)
            : in_array($state, $this->from, true);
    }

    /** @param list<string> $before the states up to now, the last one current */
    public function leadsTo(array $before): string
    {
        return match ($this->to) {
            '@same' => $before[count($before) - 1] ?? self::BEGINNING,
            '@before' => $before[count($before) - 2] ?? self::BEGINNING,
            default => $this->to,
        };
    }

    /**
     * @return array{begin: list<string>, states: array<string, string>, steps: array<string, array{name: string,
     * from: list<string>, to: string}>, future_s: int}
     */
    private static function table(): array
    {
        /**
         * @var array{begin: list<string>, states: array<string, string>, steps: array<string, array{name: string,
         * from: list<string>, to: string}>, future_s: int} $table
         */
        $table = RuleTable::named('custody-steps');

        return $table;
    }
}
