<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Console\BadInput;
use HonestCore\Quantity\DepthLayer;
use HonestCore\Sampling\Bucket;
use HonestCore\Sampling\Probe;

final class CompositeVolumeCommand extends ContractCommand
{
    private const MOST_CORES = 1000;

    protected $signature = 'composite:volume
        {--cores= : cores in the composite}
        {--probe-mm= : inner diameter of the probe, mm}
        {--depth=0-6in : the layer}
        {--json : print one JSON document}';

    protected $description = 'How much soil a composite is, and whether it fits the bucket and is enough for the lab';

    protected function facts(): array
    {
        $cores = $this->whole('cores') ?? throw BadInput::because('--cores', 'it is missing', 'a whole number such as 15');
        if ($cores < 1 || $cores > self::MOST_CORES) {
            throw BadInput::because('--cores', "{$cores} is out of bounds", 'a whole number from 1 to '.self::MOST_CORES);
        }
        $layer = DepthLayer::parse((string) $this->text('depth'), '--depth');
        $bucket = Bucket::holding(Probe::ofDiameterMm($this->requiredNumber('probe-mm'))->compositeMl($cores, $layer));

        return [
            'volume_ml' => $bucket->compositeMl,
            'thickness_cm' => $layer->thicknessCm(),
            'bucket_ml' => $bucket->bucketMl,
            'overflows' => $bucket->overflows(),
            'to_spare_ml' => $bucket->toSpareMl(),
            'reasons' => array_keys(
                array_filter([
                    'It outgrows the bucket: mix it in two, or take a narrower probe.' => $bucket->overflows(),
                    'It is less than the lab and the bench need: more cores.' => $bucket->toSpareMl() < 0,
                ]),
            ),
        ];
    }
}
