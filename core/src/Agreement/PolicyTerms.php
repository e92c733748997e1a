<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

use HonestCore\Table\Fields;
use HonestCore\Table\Stored;

/**
 * The terms of a policy as they are kept: limits for all ground and for single uses of it, and what is asked.
 *
 * Quantities and units: limits, `allowable` and `change` in the analyte's unit, or as a factor less 1 on the ratio
 * scale; `required` and `confidence` are shares. `blind` leaves out what was read after the lab's value was known;
 * `together` holds all claims of all tests of the analyte to one error rate; `records` counts pairs from old records
 * beside those made here.
 */
final readonly class PolicyTerms implements Stored
{
    /**
     * @param list<float> $thresholds ascending
     * @param array<string, list<float>> $crops limits by use of ground: only those that differ from the crop table
     * @param list<string> $actions one more than there are thresholds
     */
    public function __construct(
        public array $thresholds,
        public array $crops,
        public array $actions,
        public float $allowable,
        public float $change,
        public float $required,
        public float $confidence,
        public Scale $scale,
        public Looking $looking,
        public bool $blind = false,
        public bool $together = false,
        public bool $records = false,
    ) {}

    /**
     * @param list<string> $actions
     * @param bool $blind only what was read before the lab's value was known
     */
    public static function ofPolicy(Policy $policy, array $actions, bool $blind = true): self
    {
        return new self(
            $policy->limits->values,
            [],
            $actions,
            $policy->allowable,
            $policy->change,
            $policy->required,
            $policy->confidence,
            $policy->scale,
            $policy->looking,
            $blind,
        );
    }

    public static function fromRow(array $row): self
    {
        $fields = new Fields($row);
        $crops = $fields->rowOrNull('crops') ?? [];
        $limits = new Fields($crops);
        $byUse = [];
        foreach (array_keys($crops) as $use) {
            $byUse[(string) $use] = $limits->numbers((string) $use);
        }

        return new self(
            $fields->numbers('thresholds'),
            $byUse,
            $fields->texts('actions'),
            $fields->number('allowable'),
            $fields->number('change'),
            $fields->number('required'),
            $fields->number('confidence'),
            Scale::from($fields->text('scale')),
            Looking::from($fields->text('looking', Looking::Once->value)),
            $fields->has('blind') && $fields->flag('blind'),
            $fields->has('together') && $fields->flag('together'),
            $fields->has('records') && $fields->flag('records'),
        );
    }

    public function toRow(): array
    {
        return [
            'thresholds' => $this->thresholds,
            'crops' => (object) $this->crops,
            'actions' => $this->actions,
            'allowable' => $this->allowable,
            'change' => $this->change,
            'required' => $this->required,
            'confidence' => $this->confidence,
            'scale' => $this->scale->value,
            'looking' => $this->looking->value,
            ...$this->blind ? ['blind' => true] : [],
            ...$this->together ? ['together' => true] : [],
            ...$this->records ? ['records' => true] : [],
        ];
    }

    public function policy(string $analyte): Policy
    {
        return Policy::of(
            $analyte,
            ActionLimits::of($this->thresholds),
            $this->allowable,
            $this->change,
            $this->required,
            $this->confidence,
            $this->scale,
        )
            ->withActions($this->actions)
            ->lookedAt($this->looking);
    }

    /**
     * @param array<string, list<float>> $table the crop table's limits for uses that the team has not set
     */
    public function limitsFor(string $use, array $table): ActionLimits
    {
        return ActionLimits::of($this->crops[$use] ?? $table[$use] ?? $this->thresholds);
    }

    /**
     * Only what the team has changed is kept: a crop that comes later has the limits of the table.
     *
     * @param array<string, list<float>> $crops limits by use, of those that the table has
     * @param array<string, list<float>> $table
     */
    public function withCrops(array $crops, array $table): self
    {
        $own = array_filter(
            array_intersect_key($crops, $table) + $this->crops,
            static fn (array $limits, string $use): bool => ! isset($table[$use]) || $limits !== $table[$use],
            ARRAY_FILTER_USE_BOTH,
        );

        return new self(
            $this->thresholds,
            $own,
            $this->actions,
            $this->allowable,
            $this->change,
            $this->required,
            $this->confidence,
            $this->scale,
            $this->looking,
            $this->blind,
            $this->together,
            $this->records,
        );
    }

    /** @param list<float> $thresholds none to keep those of before */
    public function changed(
        array $thresholds,
        float $allowable,
        float $change,
        float $required,
        float $confidence,
        ?Looking $looking,
        ?bool $blind = null,
        ?bool $together = null,
        ?bool $records = null,
    ): self {
        return new self(
            $thresholds === [] ? $this->thresholds : $thresholds,
            $this->crops,
            $this->actions,
            $allowable,
            $change,
            $required,
            $confidence,
            $this->scale,
            $looking ?? $this->looking,
            $blind ?? $this->blind,
            $together ?? $this->together,
            $records ?? $this->records,
        );
    }
}
