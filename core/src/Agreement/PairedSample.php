<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

use HonestCore\Statistics\Spread;

/**
 * One sample read by the reference and, once or more, by the test.
 *
 * Quantity and unit: readings in the analyte's unit, or bands of an ordinal test. `limits` are the sample's own
 * action limits, those of its crop, where they differ from the policy's.
 */
final readonly class PairedSample
{
    /**
     * @param list<float> $readings empty for an ordinal test
     * @param list<Band> $bands empty for a numeric test
     */
    private function __construct(
        public string $sample,
        public float $reference,
        public array $readings,
        public array $bands,
        public ?ActionLimits $limits = null,
        public ?string $cluster = null,
    ) {}

    /** @param non-empty-list<float> $readings */
    public static function numeric(string $sample, float $reference, array $readings): self
    {
        return new self($sample, $reference, $readings, []);
    }

    /** @param non-empty-list<Band> $bands */
    public static function ordinal(string $sample, float $reference, array $bands): self
    {
        return new self($sample, $reference, [], $bands);
    }

    /** The same sample judged by action limits of its own. */
    public function withLimits(ActionLimits $limits): self
    {
        return new self($this->sample, $this->reference, $this->readings, $this->bands, $limits, $this->cluster);
    }

    /** The same sample with the session, lot or day that it shares with others. */
    public function inCluster(string $cluster): self
    {
        return new self($this->sample, $this->reference, $this->readings, $this->bands, $this->limits, $cluster);
    }

    /** Mean of the numeric readings. */
    public function test(): float
    {
        return $this->readings === [] ? NAN : Spread::mean($this->readings);
    }

    /** @pure */
    public function replicates(): int
    {
        return max(count($this->readings), count($this->bands));
    }

    /** Action class the test sorts the sample to; null when its band cannot sort. */
    public function testClass(ActionLimits $limits, ?Bands $bands): ?int
    {
        if ($bands !== null && $this->bands !== []) {
            return Bands::median($this->bands, $limits)->classIn($limits);
        }

        return $limits->classOfComputed($this->test());
    }
}
