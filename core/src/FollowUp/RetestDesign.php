<?php

declare(strict_types=1);

namespace HonestCore\FollowUp;

use HonestCore\Error\Bounds;
use HonestCore\Error\ValueOutOfRange;
use HonestCore\Statistics\Normal;
use HonestCore\Table\Fields;
use HonestCore\Table\RuleTable;

/**
 * What the next retest must look like to see a change: composites in each group, cores in each, and duplicates.
 *
 * Quantity and unit: the analyte's unit; `coreSd` the standard deviation between cores, `labSd` that of the analysis.
 * Rule: the result of a composite of m cores has u = sqrt(coreSd^2/m + labSd^2). What was pulled before stays as it is; of the
 * composites to come the fewest are taken, then the fewest cores, whose smallest change seen with power 0.8 is no more than the one
 * asked for. Two duplicates stand in it, so that the next answer rests on the plots and not on what is stated.
 * Variant: normal quantiles, as for one plot in a group (`response:check`).
 * Domain: the change other than 0; nothing below 0. Null where no retest within reach would see it.
 * Source: data/follow-up.json.
 */
final readonly class RetestDesign
{
    private const CORES = [15, 20, 25, 30, 40];

    private function __construct(
        public int $composites,
        public int $cores,
        public int $duplicates,
        public float $smallest,
        public bool $fromAnew,
    ) {}

    /**
     * @param float $before variance that the rounds before leave in the difference: u^2/n of each group, added
     * @param int $groups 2 with a control, 1 without
     * @param int $usualCores fewer are not proposed
     *
     * @throws ValueOutOfRange
     */
    public static function of(
        float $change,
        float $before,
        float $coreSd,
        float $labSd,
        int $groups,
        int $usualCores,
    ): ?self {
        if ($change === 0.0) {
            throw new ValueOutOfRange('expected_change', ['value' => $change]);
        }
        Bounds::within('standard_deviation', $coreSd, 0, INF);
        Bounds::within('standard_deviation', $labSd, 0, INF);
        Bounds::within('standard_deviation', $before, 0, INF);
        $rules = new Fields((new Fields(RuleTable::named('follow-up')))->row('retest'));

        return self::fewest(abs($change), $before, $coreSd, $labSd, $groups, $usualCores, $rules, false) ??
            self::fewest(abs($change), null, $coreSd, $labSd, $groups, $usualCores, $rules, true);
    }

    /** @param float|null $before null where both rounds are to be pulled anew, alike */
    private static function fewest(
        float $change,
        ?float $before,
        float $coreSd,
        float $labSd,
        int $groups,
        int $usualCores,
        Fields $rules,
        bool $fromAnew,
    ): ?self {
        $factor = Normal::quantile(1 - (1 - $rules->number('confidence')) / 2) + Normal::quantile($rules->number('power'));
        $cores = array_filter(
            array_unique([$usualCores, ...self::CORES]),
            static fn (int $one): bool => $one >= $usualCores && $one <= max($usualCores, $rules->whole('most_cores')),
        );
        sort($cores);
        for ($n = 1; $n <= $rules->whole('most_composites'); $n++) {
            foreach ($cores as $m) {
                $after = ($groups * ($coreSd ** 2 / $m + $labSd ** 2)) / $n;
                $smallest = $factor * sqrt(($before ?? $after) + $after);
                if ($smallest <= $change) {
                    return new self($n, $m, $rules->whole('duplicates'), $smallest, $fromAnew);
                }
            }
        }

        return null;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'composites' => $this->composites,
            'cores' => $this->cores,
            'duplicates' => $this->duplicates,
            'smallest' => $this->smallest,
            'from_anew' => $this->fromAnew,
        ];
    }
}
