<?php

declare(strict_types=1);

namespace HonestCore\FollowUp;

use HonestCore\Table\Fields;
use HonestCore\Table\RuleTable;
use HonestCore\Variance\SamplingFigures;

/**
 * How results of the same ground scatter: between cores, and by the analysis.
 *
 * Quantity and unit: standard deviations in the analyte's unit; `known` is how the sampling part is known.
 * Rule: duplicates of composites tell where there are four pairs; else the lab's stated half width stands for the analysis and
 * the usual spread between cores for the ground. Where the lab states nothing, nothing is said.
 * Source: data/ph-spread.json, data/follow-up.json.
 */
final readonly class ResultScatter
{
    private function __construct(public float $coreSd, public float $labSd, public string $known) {}

    /**
     * @param float|null $stated expanded uncertainty that the lab states, in the analyte's unit
     * @param int $cores of a usual composite, which measured figures are of
     */
    public static function of(string $analyte, SamplingFigures $figures, ?float $stated, float $value, int $cores): ?self
    {
        $measured = $figures->sdMeasurement;
        $lab = $figures->sdAnalysis ?? ($stated === null ? null : $stated / 2);
        if ($measured !== null) {
            $lab = min($lab ?? 0.0, $measured);

            return new self(sqrt(max(0.0, $measured ** 2 - $lab ** 2) * $cores), $lab, 'duplicates');
        }

        return $lab === null ? null : new self(self::usual($analyte, $value), $lab, 'usual');
    }

    /** Standard uncertainty of the result of one composite of so many cores. */
    public function u(int $cores): float
    {
        return sqrt($this->coreSd ** 2 / max(1, $cores) + $this->labSd ** 2);
    }

    public function words(): string
    {
        return $this->known === 'duplicates'
            ? 'How results scatter is known from duplicates of your own.'
            : 'How results scatter is the lab\'s own word and the usual spread between cores: no duplicates have told yet.';
    }

    private static function usual(string $analyte, float $value): float
    {
        if ($analyte === 'ph') {
            return (new Fields(RuleTable::named('ph-spread')))->number('usual');
        }
        $shares = new Fields((new Fields(RuleTable::named('follow-up')))->row('core_cv'));

        return abs($value) * ($shares->numberOrNull($analyte) ?? $shares->number('other'));
    }
}
