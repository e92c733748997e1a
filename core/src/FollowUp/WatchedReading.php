<?php

declare(strict_types=1);

namespace HonestCore\FollowUp;

/**
 * A reading between retests by a test whose track claim stands: it may say that something changed by more than its noise, no more.
 *
 * Quantity and unit: the analyte's unit; `detectable` is the change that the verdict says it can see.
 */
final readonly class WatchedReading
{
    public function __construct(
        public string $on,
        public float $value,
        public string $test,
        public string $code,
        public float $detectable,
        public ?bool $changed,
    ) {}

    /**
     * @param list<array{on: string, value: float, test: string, code: string, detectable: float}> $readings of one area
     * @return list<self> the soonest first, each held against the one before it of the same test; null for the first
     */
    public static function all(array $readings): array
    {
        usort($readings, static fn (array $a, array $b): int => [$a['on'], $a['code']] <=> [$b['on'], $b['code']]);
        [$found, $last] = [[], []];
        foreach ($readings as $one) {
            $before = $last[$one['test']] ?? null;
            $found[] = new self(
                $one['on'],
                $one['value'],
                $one['test'],
                $one['code'],
                $one['detectable'],
                $before === null ? null : abs($one['value'] - $before) > $one['detectable'],
            );
            $last[$one['test']] = $one['value'];
        }

        return $found;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'on' => $this->on,
            'value' => $this->value,
            'test' => $this->test,
            'code' => $this->code,
            'detectable' => $this->detectable,
            'changed' => $this->changed,
        ];
    }
}
