<?php

declare(strict_types=1);

namespace HonestCore\Custody;

use HonestCore\Table\Fields;
use HonestCore\Table\Stored;

/**
 * One entry of a phone in the field, as it is sent: what became of one core of a plan.
 *
 * Quantity and unit: `at` a moment with its zone, by the phone's clock; place in degrees (WGS 84), its accuracy in
 * metres; `ordinal` is the phone's own count.
 * Domain: `outcome` is whatever the phone sent; one that is none of Outcome is refused by itself.
 */
final readonly class PhoneEntry implements Stored
{
    /** @param list<string> $settles ids of the entries that this one replaces */
    public function __construct(
        public string $uuid,
        public int $planId,
        public int $composite,
        public int $ordinal,
        public int $sequence,
        public string $outcome,
        public ?string $reason,
        public string $at,
        public ?float $longitude,
        public ?float $latitude,
        public ?float $accuracyM,
        public array $settles,
    ) {}

    public static function fromRow(array $row): self
    {
        $fields = new Fields($row);

        return new self(
            $fields->text('uuid'),
            $fields->whole('plan_id'),
            $fields->whole('composite'),
            $fields->whole('ordinal'),
            $fields->whole('sequence'),
            $fields->text('outcome'),
            $fields->textOrNull('reason'),
            $fields->text('at'),
            $fields->numberOrNull('longitude'),
            $fields->numberOrNull('latitude'),
            $fields->numberOrNull('accuracy_m'),
            $fields->texts('settles'),
        );
    }

    public function toRow(): array
    {
        return [
            'uuid' => $this->uuid,
            'plan_id' => $this->planId,
            'composite' => $this->composite,
            'ordinal' => $this->ordinal,
            'sequence' => $this->sequence,
            'outcome' => $this->outcome,
            'reason' => $this->reason,
            'at' => $this->at,
            'longitude' => $this->longitude,
            'latitude' => $this->latitude,
            'accuracy_m' => $this->accuracyM,
            'settles' => $this->settles,
        ];
    }

    /**
     * Why it cannot be taken; null for one that can.
     *
     * @param array<int, int>|null $cores planned, by composite; null where the plan is not there
     */
    public function refusal(?array $cores): ?string
    {
        if ($cores === null) {
            return 'This plan is not there, or not your team\'s.';
        }
        $planned = $cores[$this->composite] ?? 0;

        return match (true) {
            $planned === 0 => "The plan has no composite {$this->composite}.",
            $this->sequence > $planned => "The composite has {$planned} cores; core {$this->sequence} is not in it.",
            Outcome::tryFrom($this->outcome) === null => "\"{$this->outcome}\" is no outcome; accepted are ".
                'pulled, moved, refused, skipped and undone.',
            default => null,
        };
    }
}
