<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

use HonestCore\Statistics\Spread;
use HonestCore\Table\Fields;
use HonestCore\Table\Stored;

/**
 * A pair as a signed verdict keeps it: enough to judge it once more by other limits.
 *
 * Quantity and unit: reference and readings in the analyte's unit; bands for an ordinal test.
 */
final readonly class KeptPair implements Stored
{
    /**
     * @param list<float> $limits
     * @param list<float> $readings
     * @param list<Band> $bands
     * @param list<string> $flags
     * @param list<KeptReading> $made how its readings came about; none in verdicts of before that was kept
     */
    public function __construct(
        public string $code,
        public int $sampleId,
        public string $use,
        public array $limits,
        public float $reference,
        public array $readings,
        public array $bands,
        public array $flags,
        public bool $leftOut,
        public array $made = [],
    ) {}

    public static function fromRow(array $row): self
    {
        $fields = new Fields($row);

        return new self(
            $fields->text('code'),
            $fields->whole('sample_id'),
            $fields->text('use'),
            $fields->numbers('limits'),
            $fields->number('reference'),
            $fields->numbers('readings'),
            array_map(Band::fromRow(...), $fields->rows('bands')),
            $fields->texts('flags'),
            $fields->flag('left_out'),
            $fields->has('made') ? array_map(KeptReading::fromRow(...), $fields->rows('made')) : [],
        );
    }

    public function toRow(): array
    {
        return [
            'code' => $this->code,
            'sample_id' => $this->sampleId,
            'use' => $this->use,
            'limits' => $this->limits,
            'reference' => $this->reference,
            'readings' => $this->readings,
            'bands' => array_map(static fn (Band $band): array => $band->toRow(), $this->bands),
            'flags' => $this->flags,
            'left_out' => $this->leftOut,
            'made' => array_map(static fn (KeptReading $one): array => $one->toRow(), $this->made),
        ];
    }

    /** Can it be judged on this scale? Ratios know neither zero nor less. */
    public function countsOn(Scale $scale): bool
    {
        $lowest = min([$this->reference, ...$this->readings]);

        return ! $this->leftOut && ($scale !== Scale::Ratio || $lowest > 0);
    }

    public function paired(ActionLimits $limits): PairedSample
    {
        $sample = $this->bands === []
            ? PairedSample::numeric($this->code, $this->reference, $this->readings === [] ? [NAN] : $this->readings)
            : PairedSample::ordinal($this->code, $this->reference, $this->bands);

        $sample = $sample->withLimits($limits);
        $first = $this->firstSound();

        return $first === null ? $sample : $sample->inCluster(Session::of(null, $first->reader, $first->on, $first->lot));
    }

    /** The reading that it counts by first; null in a verdict of before that was kept. */
    private function firstSound(): ?KeptReading
    {
        foreach ($this->made as $one) {
            if ($one->flags === [] || $this->leftOut || $this->flags !== []) {
                return $one;
            }
        }

        return null;
    }

    /** The figure of the test: the mean of its numbers or the middle of its band; null for an open band. */
    public function figure(): ?float
    {
        return match (true) {
            $this->bands !== [] => Bands::median($this->bands, ActionLimits::of($this->limits))->middle(),
            $this->readings === [] => null,
            default => Spread::mean($this->readings),
        };
    }

    /**
     * What kept pairs say of the error of one more result, on the scale they were judged on.
     *
     * @param list<self> $pairs
     */
    public static function error(array $pairs, Scale $scale): ?ErrorOfTest
    {
        $counted = array_values(array_filter($pairs, static fn (self $pair): bool => $pair->countsOn($scale)));
        $sittings = array_map(
            static fn (self $pair): ?string => $pair->paired(ActionLimits::of($pair->limits))->cluster,
            $counted,
        );

        $named = in_array(null, $sittings, true) ? null : array_values(array_filter($sittings, is_string(...)));
        if ($counted !== [] && $counted[0]->bands !== []) {
            return ErrorOfTest::ofBands(array_map(static fn (self $pair): array => $pair->ends($scale), $counted), $named);
        }

        return ErrorOfTest::of(
            array_map(static function (self $pair) use ($scale): array {
                $figure = $pair->figure();

                return [$scale->of($pair->reference), $figure === null ? null : $scale->of($figure)];
            }, $counted),
            $named,
        );
    }

    /** @return array{float, float, float} reference, lower and upper end of the band that it counts by */
    private function ends(Scale $scale): array
    {
        $band = $this->bands === [] ? null : Bands::median($this->bands, ActionLimits::of($this->limits));

        return [$scale->of($this->reference), $scale->end($band->lower ?? -INF), $scale->end($band->upper ?? INF)];
    }

    /**
     * What a policy makes of kept pairs.
     *
     * @param list<self> $pairs
     * @param callable(string): ActionLimits $limitsFor by the use of the ground
     */
    public static function assess(array $pairs, Policy $policy, callable $limitsFor, ?Bands $scale): Assessment
    {
        $bands = [];
        $counted = array_values(array_filter($pairs, static fn (self $pair): bool => $pair->countsOn($policy->scale)));
        foreach ($counted as $pair) {
            foreach ($pair->bands as $band) {
                $bands[$band->name] = $band;
            }
        }

        $paired = array_map(static fn (self $pair): PairedSample => $pair->paired($limitsFor($pair->use)), $counted);

        return Assessment::of(
            $paired,
            count($pairs) - count($counted),
            $policy,
            $bands === [] ? null : ($scale ?? Bands::of(array_values($bands))),
        );
    }
}
