<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

use HonestCore\Table\Fields;
use HonestCore\Table\Stored;

/**
 * One step of an ordinal test: a name for a range of the reference scale.
 *
 * Quantity and unit: bounds in the analyte's unit; the lower bound is included, the upper is not,
 * and an open end is infinite.
 */
final readonly class Band implements Stored
{
    public function __construct(public string $name, public float $lower, public float $upper) {}

    /** An open end is kept as null: JSON has no infinity. */
    public static function fromRow(array $row): self
    {
        $fields = new Fields($row);

        return new self(
            $fields->text('name'),
            $fields->numberOrNull('lower') ?? -INF,
            $fields->numberOrNull('upper') ?? INF,
        );
    }

    public function toRow(): array
    {
        return [
            'name' => $this->name,
            'lower' => is_finite($this->lower) ? $this->lower : null,
            'upper' => is_finite($this->upper) ? $this->upper : null,
        ];
    }

    /** @pure */
    public function isOpen(): bool
    {
        return is_infinite($this->lower) || is_infinite($this->upper);
    }

    /** @pure */
    public function contains(float $value): bool
    {
        return $value >= $this->lower && $value < $this->upper;
    }

    /**
     * Middle of a closed band, null when an end is open.
     *
     * @pure
     */
    public function middle(): ?float
    {
        return $this->isOpen() ? null : ($this->lower + $this->upper) / 2;
    }

    /** @pure */
    public function isCutBy(ActionLimits $limits): bool
    {
        foreach ($limits->values as $limit) {
            if ($limit > $this->lower && $limit < $this->upper) {
                return true;
            }
        }

        return false;
    }

    /**
     * Every action class that a value in the band may belong to; its upper end is the next band's.
     *
     * @return non-empty-list<int>
     */
    public function reaches(ActionLimits $limits): array
    {
        $from = count(array_filter($limits->values, fn (float $limit): bool => $limit <= $this->lower));
        $to = count(array_filter($limits->values, fn (float $limit): bool => $limit < $this->upper));

        return range($from, max($from, $to));
    }

    /**
     * Action class the band sorts to: that of its middle; of an open band the class that holds all
     * of it; null when a limit cuts an open band.
     */
    public function classIn(ActionLimits $limits): ?int
    {
        $middle = $this->middle();
        if ($middle !== null) {
            return $limits->classOfComputed($middle);
        }
        if ($this->isCutBy($limits)) {
            return null;
        }

        return is_infinite($this->lower) ? 0 : $limits->classOf($this->lower);
    }
}
