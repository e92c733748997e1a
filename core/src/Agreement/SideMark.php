<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

/**
 * Where one reading of a composite lies beside the action limits: a number with its uncertainty, a band, or a result
 * that is known to lie below, above or within.
 *
 * Quantity and unit: the analyte's unit; an open end, and what is not known, is null.
 */
final readonly class SideMark
{
    /** A band's end belongs to the next band: a limit on it is not crossed. */
    private const WITHIN = 1e-6;

    /** @param list<int> $calls action classes that it touches; none where limits do not hold for it */
    private function __construct(
        public ?float $value,
        public ?float $uncertainty,
        public ?float $from,
        public ?float $to,
        public string $shown,
        public string $said,
        public ?int $call,
        public bool $close,
        public array $calls,
    ) {}

    /** @param ActionLimits|null $limits none where they say nothing of how it was measured */
    public static function ofNumber(?float $value, ?float $uncertainty, string $shown, ?ActionLimits $limits): self
    {
        $call = $value === null || $limits === null ? null : Call::ofValue($value, $uncertainty, $limits);
        $spread = $value === null ? null : $uncertainty;

        return self::called(
            $call,
            $value,
            $spread,
            [$value === null ? null : $value - ($spread ?? 0.0), $value === null ? null : $value + ($spread ?? 0.0)],
            $shown,
            'number',
        );
    }

    /** A band, or a colour between two. */
    public static function ofBand(Band $band, ?Band $other, ?ActionLimits $limits): self
    {
        [$from, $to] = [min($band->lower, $other->lower ?? INF), max($band->upper, $other->upper ?? -INF)];
        $call = $limits === null ? null : Call::ofInterval($from, max($from, $to - self::WITHIN), $limits);
        $shown = $band->name.($other === null ? '' : " to {$other->name}");
        // An open band that a limit cuts is not close to it: it cannot tell, wherever the soil lies.
        $tells = is_finite($from) && is_finite($to);

        return self::called($call, null, null, [$from, $to], $shown, 'band', $tells);
    }

    /** A result that is no single number; neither end is known for a trace or a rating. */
    public static function ofResult(float $from, float $to, string $shown, string $said, ?ActionLimits $limits): self
    {
        $none = $limits === null || is_nan($from) || is_nan($to) || $from > $to;

        return self::called($none ? null : Call::ofInterval($from, $to, $limits), null, null, [$from, $to], $shown, $said);
    }

    /**
     * What all that counts says together: one action, several, or too close to call.
     *
     * @param list<self> $heard
     */
    public static function together(array $heard, bool $hasLimits): string
    {
        $heard = array_values(array_filter($heard, static fn (self $mark): bool => $mark->calls !== []));
        if (! $hasLimits || $heard === []) {
            return 'unknown';
        }
        foreach ($heard as $i => $one) {
            foreach (array_slice($heard, $i + 1) as $other) {
                if (array_intersect($one->calls, $other->calls) === []) {
                    return 'differ';
                }
            }
        }
        $close = array_filter($heard, static fn (self $mark): bool => $mark->close);

        return match (true) {
            array_filter($heard, static fn (self $mark): bool => $mark->call !== null) === [] => 'close',
            $close === [] => 'same',
            default => 'partly',
        };
    }

    /** @param array{float|null, float|null} $ends */
    private static function called(
        ?Call $call,
        ?float $value,
        ?float $uncertainty,
        array $ends,
        string $shown,
        string $said,
        bool $mayBeClose = true,
    ): self {
        $finite = static fn (?float $end): ?float => $end !== null && is_finite($end) ? $end : null;

        return new self(
            $value,
            $uncertainty,
            $finite($ends[0]),
            $finite($ends[1]),
            $shown,
            $said,
            $call?->class(),
            $mayBeClose && $call?->isTooClose() === true,
            $call->classes ?? [],
        );
    }
}
