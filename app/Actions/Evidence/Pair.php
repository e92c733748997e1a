<?php

declare(strict_types=1);

namespace App\Actions\Evidence;

use App\Actions\Records\OldPairs;
use App\Models\Reading;
use App\Models\Sample;
use App\Record\OwnNumbers;
use HonestCore\Agreement\ActionLimits;
use HonestCore\Agreement\Band;
use HonestCore\Agreement\Bands;
use HonestCore\Agreement\CoveragePair;
use HonestCore\Agreement\KeptPair;
use HonestCore\Agreement\KeptReading;
use HonestCore\Agreement\PairedSample;
use HonestCore\Agreement\Policy;

/** One composite that both the test and the reference have read, with the limits of what grows there. */
final readonly class Pair
{
    /**
     * @param non-empty-list<Reading> $readings of the test that it is judged by
     * @param non-empty-list<Reading> $all of the test, those with a broken protocol too
     * @param list<string> $flags protocol breaks of the readings, or why no figure can be made of them; empty when
     *                            the pair counts
     * @param array<string, PairedSample> $byLot the same as each lot read it, by the lot behind "lot "
     */
    public function __construct(
        public Sample $sample,
        public float $reference,
        public array $readings,
        private array $all,
        public array $flags,
        public ActionLimits $limits,
        public PairedSample $paired,
        private ?Bands $scale,
        public array $byLot,
    ) {}

    /** Was it brought in from old records, its protocol not known? */
    public function isFromRecords(): bool
    {
        return $this->sample->id < 0;
    }

    public function counts(): bool
    {
        return $this->flags === [];
    }

    /** The band the pair counts by; null for a test that gives numbers. */
    public function band(): ?Band
    {
        return $this->scale === null || $this->paired->bands === []
            ? null
            : Bands::median($this->paired->bands, $this->limits);
    }

    /** The test's figure: the mean of its numbers or the middle of its band; null for an open band. */
    public function test(): ?float
    {
        return $this->scale === null ? $this->paired->test() : $this->band()?->middle();
    }

    public function referenceClass(): int
    {
        return $this->limits->classOf($this->reference);
    }

    public function testClass(): ?int
    {
        return $this->paired->testClass($this->limits, $this->scale);
    }

    /** Test minus reference; null where the test gives no figure. */
    public function difference(): ?float
    {
        $test = $this->test();

        return $test === null ? null : $test - $this->reference;
    }

    /** @return non-empty-list<float> what a picture of it has to hold: its figures, the limits, the ends of its band that there are */
    public function ends(): array
    {
        $band = $this->band();
        $ends = $band === null ? [$this->test() ?? $this->reference] : array_filter([$band->lower, $band->upper], is_finite(...));

        return [$this->reference, ...$this->limits->values, ...array_values($ends)];
    }

    /** @return list<int> classes that its band reaches beside the one it counts for */
    public function otherClasses(): array
    {
        return array_values(array_diff($this->band()?->reaches($this->limits) ?? [], [$this->testClass()]));
    }

    /**
     * Whether what each lot read bears a claim out.
     *
     * @return list<CoveragePair>
     */
    public function covers(string $claim, Policy $policy): array
    {
        $pairs = [];
        foreach ($this->byLot as $lot => $paired) {
            if ($claim === 'track' && $paired->replicates() < 2) {
                continue;
            }
            $pairs[] = new CoveragePair(
                substr($lot, 4),
                $this->sample->year,
                match ($claim) {
                    'sort' => $paired->testClass($this->limits, $this->scale) === $this->referenceClass(),
                    'rate' => $this->scale !== null || $policy->allows($paired->test(), $this->reference),
                    default => true,
                },
            );
        }

        return $pairs;
    }

    public function lot(): string
    {
        return $this->readings[count($this->readings) - 1]->lot;
    }

    /** @return non-empty-list<Reading> those of a lot; all where none is of it */
    public function readingsOfLot(string $lot): array
    {
        $own = array_values(array_filter($this->readings, static fn (Reading $one): bool => $one->lot === $lot));

        return $own === [] ? $this->readings : $own;
    }

    public function reader(): string
    {
        $name = $this->readings[count($this->readings) - 1]->reader;

        return $this->isFromRecords() && str_starts_with($name, OldPairs::NOT_RECORDED) ? OldPairs::NOT_RECORDED : $name;
    }

    /** As a verdict keeps it. */
    public function kept(): KeptPair
    {
        $own = OwnNumbers::ofThisTeam();

        return new KeptPair(
            $this->sample->code,
            $this->sample->id - $own,
            $this->sample->area->use,
            $this->limits->values,
            $this->reference,
            $this->paired->readings,
            $this->paired->bands,
            $this->flags,
            ! $this->counts(),
            array_map(
                static fn (Reading $one): KeptReading => new KeptReading(
                    $one->as_reported,
                    $one->reader,
                    $one->read_on->format('Y-m-d'),
                    $one->lot,
                    $one->method_version_id === null ? null : $one->method_version_id - $own,
                    $one->flags,
                    $one->seenBefore() === true,
                ),
                $this->all,
            ),
        );
    }
}
