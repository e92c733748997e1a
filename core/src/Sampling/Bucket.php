<?php

declare(strict_types=1);

namespace HonestCore\Sampling;

use HonestCore\Error\BadTable;
use HonestCore\Table\RuleTable;

/**
 * What a composite fills and what it has to give: the bucket, the lab's bag, the bench.
 *
 * Quantity and unit: millilitres of soil as cored.
 * Source: the table in data/bucket.json; volume from first principles.
 */
final readonly class Bucket
{
    private function __construct(
        public float $compositeMl,
        public float $bucketMl,
        public float $labBagMl,
        public float $benchBagMl,
    ) {}

    /** @throws BadTable */
    public static function holding(float $compositeMl): self
    {
        /** @var array{bucket_ml: float|int, lab_bag_ml: float|int, bench_bag_ml: float|int} $table */
        $table = RuleTable::named('bucket');

        return new self(
            $compositeMl,
            (float) $table['bucket_ml'],
            (float) $table['lab_bag_ml'],
            (float) $table['bench_bag_ml'],
        );
    }

    /** What is left for the archive once the lab and the bench have theirs; negative when it is too little. */
    public function toSpareMl(): float
    {
        return $this->compositeMl - $this->labBagMl - $this->benchBagMl;
    }

    public function overflows(): bool
    {
        return $this->compositeMl > $this->bucketMl;
    }

    public function isTooLittleForTheLab(): bool
    {
        return $this->compositeMl < $this->labBagMl;
    }
}
