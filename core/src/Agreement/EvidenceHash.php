<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

/**
 * Names the pairs, the readings behind them and the policy that a verdict rests on: it changes when any of them does.
 * Verdicts of before named no reader, day, lot, definition and break of a reading; they are known by the older name.
 */
final readonly class EvidenceHash
{
    /** @param string $older by the form of before */
    public function __construct(public string $value, public string $older) {}

    /**
     * @param list<KeptPair> $pairs
     * @param string $lot that the test is read with
     * @param string $against the reader who stands for the reference; empty where it is another method
     */
    public static function of(int $policy, string $lot, array $pairs, string $against = ''): self
    {
        $older = array_map(self::pair(...), $pairs);
        $newer = array_map(
            static fn (KeptPair $pair): array => [
                ...self::pair($pair),
                $pair->leftOut,
                array_map(static fn (KeptReading $reading): array => array_values($reading->toRow()), $pair->made),
            ],
            $pairs,
        );
        sort($older);
        sort($newer);
        $behind = $against === '' ? [] : [$against];

        return new self(
            self::hash(['form 2', $policy, $lot, $newer, ...$behind]),
            self::hash([$policy, $lot, $older, ...$behind]),
        );
    }

    /**
     * Whether a verdict that was signed on this evidence carries that name.
     */
    public function is(string $signed): bool
    {
        return hash_equals($this->value, $signed) || hash_equals($this->older, $signed);
    }

    /**
     * @return list<mixed>
     */
    private static function pair(KeptPair $pair): array
    {
        return [
            $pair->code,
            $pair->reference,
            $pair->readings,
            array_column($pair->bands, 'name'),
            $pair->flags,
            $pair->limits,
        ];
    }

    /**
     * @param list<mixed> $of
     */
    private static function hash(array $of): string
    {
        return hash('sha256', json_encode($of, JSON_THROW_ON_ERROR));
    }
}
