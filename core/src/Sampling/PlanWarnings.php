<?php

declare(strict_types=1);

namespace HonestCore\Sampling;

use HonestCore\Error\BadTable;
use HonestCore\Table\RuleTable;

/** What a technician should hear about a plan before walking it. */
final class PlanWarnings
{
    /**
     * @return list<string>
     *
     * @throws BadTable
     */
    public static function of(int $cores, Bucket $bucket): array
    {
        /** @var array{fewest_cores: int} $table */
        $table = RuleTable::named('routine');
        $litres = static fn (float $ml): string => number_format($ml / 1000, 1).' L';
        $ml = static fn (float $volume): string => number_format($volume).' mL';

        return array_keys(
            array_filter([
                "Fewer than {$table['fewest_cores']} cores: one odd spot weighs too much in the mean." => $cores < $table['fewest_cores'],
                "The composite fills {$litres($bucket->compositeMl)}, more than a bucket of {$litres(
                    $bucket->bucketMl,
                )}: mix it in two buckets, half from each core, or take a narrower probe." => $bucket->overflows(),
                "The composite gives {$ml($bucket->compositeMl)}, less than the lab's bag of {$ml(
                    $bucket->labBagMl,
                )}: take more cores or a wider probe." => $bucket->isTooLittleForTheLab(),
                "The lab and the bench together want {$ml(
                    $bucket->labBagMl + $bucket->benchBagMl,
                )}; the composite gives {$ml($bucket->compositeMl)}." => ! $bucket->isTooLittleForTheLab() && $bucket->toSpareMl() < 0,
            ]),
        );
    }
}
