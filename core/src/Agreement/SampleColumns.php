<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

/**
 * Samples kept column by column, so that a million of them fit in memory; each becomes a PairedSample when it is looked at.
 *
 * @implements \IteratorAggregate<int, PairedSample>
 */
final readonly class SampleColumns implements \Countable, \IteratorAggregate
{
    /**
     * @param array<string, int> $places by the name of the sample, behind an "s"
     * @param array<int, float> $references
     * @param array<int, float|Band|non-empty-list<float|Band>> $tests a list where a sample was read more than once
     * @param array<int, string> $clusters
     */
    public function __construct(private array $places, private array $references, private array $tests, private array $clusters) {}

    public function count(): int
    {
        return count($this->references);
    }

    /** @return \Generator<int, PairedSample> */
    public function getIterator(): \Generator
    {
        foreach ($this->places as $name => $at) {
            $values = is_array($this->tests[$at]) ? $this->tests[$at] : [$this->tests[$at]];
            $readings = array_values(array_filter($values, is_float(...)));
            $bands = array_values(array_filter($values, static fn (float|Band $value): bool => $value instanceof Band));
            $sample = $readings !== []
                ? PairedSample::numeric(substr($name, 1), $this->references[$at], $readings)
                : ($bands === [] ? null : PairedSample::ordinal(substr($name, 1), $this->references[$at], $bands));
            if ($sample !== null) {
                yield isset($this->clusters[$at]) ? $sample->inCluster($this->clusters[$at]) : $sample;
            }
        }
    }
}
