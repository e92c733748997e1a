<?php

declare(strict_types=1);

namespace App\Actions\Prescribe;

use App\Models\Area;
use App\Models\JudgingPolicy;
use App\Models\Sample;
use App\Models\TestMethod;
use HonestCore\Amounts\ActionAdvice;
use HonestCore\Amounts\SizedFor;
use HonestCore\Analyte\Analytes;
use HonestCore\Quantity\DepthLayer;
use HonestCore\Table\RuleTable;

/** What the other analytes of an area call for, each by the newest composite in which something of it stands. */
final class AdviseOthers
{
    /** pH and its buffer are what Recommend answers. */
    private const OWN_ANSWER = ['ph', 'buffer_ph'];

    public function __construct(private readonly WhatStands $stands, private readonly Hear $hear) {}

    /**
     * @param int|null $sampleId the composite that is asked about; null for the newest with each analyte
     * @return list<AdvisedOther>
     */
    public function __invoke(Area $area, ?string $crop = null, ?float $yield = null, ?int $sampleId = null): array
    {
        $samples = Sample::query()
            ->where('area_id', $area->id)
            ->when($sampleId !== null, static fn ($samples) => $samples->whereKey($sampleId))
            ->whereHas(
                'readings',
                static fn ($readings) => $readings->whereHas(
                    'method',
                    static fn ($method) => $method->whereNotIn('analyte', self::OWN_ANSWER),
                ),
            )
            ->orderByDesc('pulled_on')
            ->orderByDesc('number')
            ->limit(Recommend::NEWEST)
            ->with(WhatStands::READ_BY)
            ->get()
            ->filter(static fn (Sample $sample): bool => DepthLayer::parse($sample->depth)->topCm === 0.0)
            ->values()
            ->all();
        $policies = JudgingPolicy::query()
            ->whereNotIn('analyte', self::OWN_ANSWER)
            ->orderByDesc('version')
            ->get()
            ->unique('analyte')
            ->keyBy('analyte');
        $found = [];
        foreach (Analytes::codes() as $code) {
            $policy = $policies->get($code);
            $of = array_values(
                array_filter($samples, fn (Sample $sample): bool => $this->stands->readings($sample, $code) !== []),
            );
            if ($policy !== null && $of !== []) {
                $found[] = $this->advise($code, $of, $area, $policy, $crop, $yield);
            }
        }

        return $found;
    }

    /** @param non-empty-list<Sample> $samples that something of it stands in, the newest first */
    private function advise(
        string $code,
        array $samples,
        Area $area,
        JudgingPolicy $policy,
        ?string $crop,
        ?float $yield,
    ): AdvisedOther {
        [$analyte, $sample] = [Analytes::get($code), $samples[0]];
        $heard = $this->hear->of($sample, $area, $code, $policy);
        $cec = $this->hear->lab($sample, 'cec')?->value;
        $advice = ActionAdvice::from(
            $analyte,
            $heard->tested,
            $heard->kit,
            $policy->limitsFor($area->use),
            $policy->terms->actions,
            TestMethod::extractantOf($code),
            self::limitsAreOwn($policy),
            new SizedFor($area->crop()->ratesFor, $crop, $yield, $cec),
        );

        return new AdvisedOther(
            $analyte,
            $advice,
            $sample,
            $heard->reading,
            $heard->verdict,
            $this->differ($samples, $code, $policy, $area->use),
        );
    }

    private static function limitsAreOwn(JudgingPolicy $policy): bool
    {
        /** @var array<string, array{thresholds?: list<float|int>}> $shipped */
        $shipped = RuleTable::named('policies')['analytes'];

        return $policy->terms->thresholds !==
            array_map(floatval(...), $shipped[$policy->analyte]['thresholds'] ?? []);
    }

    /**
     * What the composites of the newest round call for, where that is not the same.
     *
     * @param non-empty-list<Sample> $samples the newest first
     */
    private function differ(array $samples, string $code, JudgingPolicy $policy, string $use): ?string
    {
        [$newest, $limits, $codes] = [$samples[0], $policy->limitsFor($use), []];
        $since = $newest->pulled_on->subDays(Recommend::ROUND_DAYS);
        foreach ($samples as $sample) {
            $lab =
                $sample->year === $newest->year && $sample->depth === $newest->depth && $sample->pulled_on >= $since
                    ? $this->hear->lab($sample, $code)
                    : null;
            if ($lab !== null) {
                $codes[$policy->terms->actions[$limits->classOf((float) $lab->value)]][] = $sample->code;
            }
        }
        $words = array_map(
            static fn (string $action, array $of): string => "\"{$action}\" by ".
                (count($of) > 3 ? count($of).' composites' : implode(', ', $of)),
            array_keys($codes),
            $codes,
        );

        return count($codes) < 2
            ? null
            : 'Composites of this round call for different actions: '.
                    implode('; ', $words).
                    '. The newest is shown; treat each part by its own, or pull again.';
    }
}
