<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

use HonestCore\Error\ValueOutOfRange;

/**
 * Limits that cut an analyte's scale into action classes, numbered from 0 upwards.
 *
 * Quantity and unit: the analyte's own unit on the reference scale.
 * Convention: a value on a limit belongs to the class above it.
 */
final readonly class ActionLimits
{
    private const DECIMALS = 9;

    /** @param non-empty-list<float> $values strictly ascending */
    private function __construct(public array $values) {}

    /**
     * @param list<float> $values
     *
     * @throws ValueOutOfRange
     */
    public static function of(array $values): self
    {
        if ($values === []) {
            throw new ValueOutOfRange('number_action_limits', ['value' => 0, 'low' => 1]);
        }
        foreach ($values as $i => $value) {
            if (! is_finite($value)) {
                throw new ValueOutOfRange('action_limits');
            }
            if ($i > 0 && $value <= $values[$i - 1]) {
                throw new ValueOutOfRange('action_limits_do_not_ascend', [
                    'value' => $value,
                    'before' => $values[$i - 1],
                ]);
            }
        }

        return new self($values);
    }

    /** @pure */
    public function classes(): int
    {
        return count($this->values) + 1;
    }

    /**
     * Class of a value as it was read.
     *
     * @pure
     */
    public function classOf(float $value): int
    {
        $class = 0;
        foreach ($this->values as $limit) {
            $class += $value >= $limit ? 1 : 0;
        }

        return $class;
    }

    /**
     * Class of a computed value, a mean or a middle: rounded to 9 decimals first, so that
     * the mean of 5.9 and 6.1 meets the limit 6.0 whatever binary floating point makes of it.
     *
     * @pure
     */
    public function classOfComputed(float $value): int
    {
        return $this->classOf(round($value, self::DECIMALS));
    }

    /** Class in words, such as "below 6", "6 to 7.3" or "7.3 and above". */
    public function name(int $class): string
    {
        $from = $this->values[$class - 1] ?? null;
        $to = $this->values[$class] ?? null;

        return match (true) {
            $from === null => "below {$to}",
            $to === null => "{$from} and above",
            default => "{$from} to {$to}",
        };
    }
}
