<?php

declare(strict_types=1);

namespace HonestCore\Table;

use HonestCore\Quantity\AreaRate;

/**
 * The yield of a crop in tonnes a hectare, where the tables count bushels or tons an acre.
 *
 * Quantity and unit: t/ha for one bushel, or one ton of 2,000 lb, an acre.
 * Domain: grains of data/bushels.json; what is in no bushel is in tons.
 * Source: exact definitions as in AreaRate; the weight of a bushel by data/bushels.json.
 */
final readonly class MetricYield
{
    /** Tonnes a hectare that one unit of the tables is. */
    public static function each(string $crop): float
    {
        $pounds = (new Fields((new Fields(RuleTable::named('bushels')))->row('lb')))->numberOrNull($crop) ?? AreaRate::LB_PER_TON;

        return AreaRate::ofLbPerAcre($pounds)->kgPerHa() / 1000;
    }
}
