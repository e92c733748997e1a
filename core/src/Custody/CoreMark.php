<?php

declare(strict_types=1);

namespace HonestCore\Custody;

use HonestCore\Table\Fields;
use HonestCore\Table\Stored;

/** What became of one core of a composite when it was handed in, and why where it was not pulled as planned. */
final readonly class CoreMark implements Stored
{
    public function __construct(public int $sequence, public Outcome $outcome, public ?string $reason) {}

    public static function fromRow(array $row): self
    {
        $fields = new Fields($row);

        return new self(
            $fields->whole('sequence'),
            Outcome::from($fields->text('outcome')),
            $fields->textOrNull('reason'),
        );
    }

    public function toRow(): array
    {
        return ['sequence' => $this->sequence, 'outcome' => $this->outcome->value, 'reason' => $this->reason];
    }

    /** @param list<self> $marks */
    public static function countUp(array $marks): int
    {
        return count(array_filter($marks, static fn (self $mark): bool => $mark->outcome->isUp()));
    }
}
