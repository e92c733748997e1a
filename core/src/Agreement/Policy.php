<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

use HonestCore\Error\ValueOutOfRange;

/**
 * The limits set before the evidence is looked at.
 *
 * Quantities and units: action limits in the analyte's unit; `allowable` and `change` in that unit on the
 * absolute scale, and as a factor less 1 on the ratio scale (0.2 means a factor of 1.2); `required` and
 * `confidence` are shares strictly between 0 and 1.
 */
final readonly class Policy
{
    /** @param list<string> $actions names of the action classes, ascending; empty when they have none */
    private function __construct(
        public string $analyte,
        public ActionLimits $limits,
        public float $allowable,
        public float $change,
        public float $required,
        public float $confidence,
        public Scale $scale,
        public array $actions = [],
        public Looking $looking = Looking::Once,
    ) {}

    /** @throws ValueOutOfRange */
    public static function of(
        string $analyte,
        ActionLimits $limits,
        float $allowable,
        float $change,
        float $required,
        float $confidence,
        Scale $scale,
    ): self {
        foreach (['allowable' => $allowable, 'change' => $change] as $name => $value) {
            if (! is_finite($value) || $value <= 0) {
                throw ValueOutOfRange::of($name, $value, 'a finite number above 0');
            }
        }
        foreach (['required' => $required, 'confidence' => $confidence] as $name => $value) {
            if (! ($value > 0 && $value < 1)) {
                throw ValueOutOfRange::of($name, $value, 'between 0 and 1, both left out');
            }
        }

        return new self($analyte, $limits, $allowable, $change, $required, $confidence, $scale);
    }

    /**
     * The same policy with its action classes named.
     *
     * @param list<string> $actions
     *
     * @throws ValueOutOfRange when there is not one name for each class
     */
    public function withActions(array $actions): self
    {
        if (count($actions) !== $this->limits->classes()) {
            throw ValueOutOfRange::of('The number of action names', count($actions), "{$this->limits->classes()}, one for each class");
        }

        return new self($this->analyte, $this->limits, $this->allowable, $this->change, $this->required, $this->confidence, $this->scale, $actions, $this->looking);
    }

    /** The same policy with bounds for one look, or for looking often. */
    public function lookedAt(Looking $looking): self
    {
        return new self($this->analyte, $this->limits, $this->allowable, $this->change, $this->required, $this->confidence, $this->scale, $this->actions, $looking);
    }

    /** An action class in words: its action where it is named, else its range. */
    public function className(int $class): string
    {
        return isset($this->actions[$class]) ? "\"{$this->actions[$class]}\"" : $this->limits->name($class);
    }

    /** Allowable difference on the scale on which differences are taken. */
    public function tolerance(): float
    {
        return $this->scale->tolerance($this->allowable);
    }

    /** Change to see on the scale on which differences are taken. */
    public function changeToSee(): float
    {
        return $this->scale->tolerance($this->change);
    }
}
