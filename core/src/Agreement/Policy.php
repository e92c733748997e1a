<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

use HonestCore\Error\ValueOutOfRange;
use HonestCore\Statistics\BinomialBound;

/**
 * The limits set before the evidence is looked at.
 *
 * Quantities and units: action limits in the analyte's unit; `allowable` and `change` in that unit on the
 * absolute scale, and as a factor less 1 on the ratio scale (0.2 means a factor of 1.2); `required` and
 * `confidence` are shares strictly between 0 and 1; a new one asks for a confidence above 0.5, and what was kept
 * before stays.
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
        public bool $guardsIntervals = true,
        public ?float $resolution = null,
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
                throw new ValueOutOfRange('policy_figure', ['value' => $value, 'name' => $name]);
            }
        }
        foreach (['required' => $required, 'confidence' => $confidence] as $name => $value) {
            if (! ($value > 0 && $value < 1)) {
                throw new ValueOutOfRange('policy_share', [
                    'value' => $value,
                    'low' => 0,
                    'high' => 1,
                    'name' => $name,
                ]);
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
            throw new ValueOutOfRange('number_action_names', [
                'value' => count($actions),
                'classes' => $this->limits->classes(),
            ]);
        }

        return $this->with(['actions' => $actions]);
    }

    /**
     * The same policy with bounds for one look, or for looking often.
     *
     * @param bool $intervalsToo are the intervals of limits and spreads to hold however often one looks as well,
     *                           or the sort claim's alone?
     */
    public function lookedAt(Looking $looking, bool $intervalsToo = true): self
    {
        return $this->with(['looking' => $looking, 'guardsIntervals' => $intervalsToo]);
    }

    /**
     * The same policy for a test whose scale has steps: a difference, or a factor less 1 on the ratio scale.
     *
     * @throws ValueOutOfRange
     */
    public function withResolution(float $resolution): self
    {
        return is_finite($resolution) && $resolution > 0
            ? $this->with(['resolution' => $resolution])
            : throw new ValueOutOfRange('resolution', ['value' => $resolution]);
    }

    /**
     * The same policy at another confidence, as one error rate over many claims asks for.
     *
     * @throws ValueOutOfRange
     */
    public function atConfidence(float $confidence): self
    {
        return self::of(
            $this->analyte,
            $this->limits,
            $this->allowable,
            $this->change,
            $this->required,
            $confidence,
            $this->scale,
        )->with([
            'actions' => $this->actions,
            'looking' => $this->looking,
            'guardsIntervals' => $this->guardsIntervals,
            'resolution' => $this->resolution,
        ]);
    }

    /** Smallest step of the test on the scale on which differences are taken; 0 where none is known. */
    public function step(): float
    {
        return $this->resolution === null ? 0.0 : $this->scale->tolerance($this->resolution);
    }

    /** Confidence of an interval after n results. */
    public function intervalsAt(int $n): float
    {
        return $this->guardsIntervals ? $this->looking->confidenceAt($n, $this->confidence) : $this->confidence;
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

    /** Is a result no further from the reference than sizing a rate allows? */
    public function allows(float $test, float $reference): bool
    {
        return abs($this->scale->of($test) - $this->scale->of($reference)) <= $this->tolerance() + BinomialBound::REACHED;
    }

    /** Change to see on the scale on which differences are taken. */
    public function changeToSee(): float
    {
        return $this->scale->tolerance($this->change);
    }

    /** @param array{actions?: list<string>, looking?: Looking, guardsIntervals?: bool, resolution?: float|null} $changed */
    private function with(array $changed): self
    {
        return new self(
            $this->analyte,
            $this->limits,
            $this->allowable,
            $this->change,
            $this->required,
            $this->confidence,
            $this->scale,
            $changed['actions'] ?? $this->actions,
            $changed['looking'] ?? $this->looking,
            $changed['guardsIntervals'] ?? $this->guardsIntervals,
            $changed['resolution'] ?? $this->resolution,
        );
    }
}
