<?php

declare(strict_types=1);

namespace HonestCore\Sampling;

use HonestCore\Error\BadTable;
use HonestCore\Table\Fields;
use HonestCore\Table\RuleTable;
use HonestCore\Table\Stored;

/**
 * What a composite fills and what it has to give: the bucket, the lab's bag, the bench.
 *
 * Quantity and unit: millilitres of soil as cored.
 * Source: the table in data/bucket.json; volume from first principles.
 */
final readonly class Bucket implements Stored
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

    /** As it was when it was stored, whatever the table says now. */
    public static function fromRow(array $row): self
    {
        $fields = new Fields($row);

        return new self(
            $fields->number('composite_ml'),
            $fields->number('bucket_ml'),
            $fields->number('lab_bag_ml'),
            $fields->number('bench_bag_ml'),
        );
    }

    public function toRow(): array
    {
        return [
            'composite_ml' => $this->compositeMl,
            'bucket_ml' => $this->bucketMl,
            'lab_bag_ml' => $this->labBagMl,
            'bench_bag_ml' => $this->benchBagMl,
            'to_spare_ml' => $this->toSpareMl(),
        ];
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
