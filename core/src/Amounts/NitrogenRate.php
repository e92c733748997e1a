<?php

declare(strict_types=1);

namespace HonestCore\Amounts;

use HonestCore\Error\Bounds;
use HonestCore\Error\ValueOutOfRange;
use HonestCore\Quantity\AreaRate;
use HonestCore\Quantity\DepthLayer;
use HonestCore\Table\RuleTable;

/**
 * Nitrogen by what a crop needs less its credits, or by a nitrate test before side-dressing.
 *
 * Quantity and unit: lb N an acre; the test in ppm NO3-N of the layer 0-12 in.
 * Domain: nothing below 0; a nitrate test of another layer gives no rate.
 * Source: the contract of `nitrogen:rate`; data/nitrogen.json.
 */
final readonly class NitrogenRate
{
    /**
     * @param 'crop'|'psnt'|'unable' $basis
     * @param array{float, float}|null $interval
     * @param list<string> $reasons
     */
    private function __construct(
        public string $basis,
        public ?float $lbPerAcre,
        public ?NitrogenCredits $credits,
        public ?array $interval,
        public array $reasons,
    ) {}

    /** @throws ValueOutOfRange */
    public static function byCrop(float $need, NitrogenCredits $credits): self
    {
        if (! ($need >= 0 && is_finite($need))) {
            throw new ValueOutOfRange('need', ['value' => $need, 'low' => 0, 'unit' => 'lb N/acre']);
        }

        return new self('crop', max(0.0, $need - $credits->sum()), $credits, null, [
            $credits->sum() >= $need && $need > 0
                ? 'The credits cover the need.'
                : 'By the need of the crop less its credits: a nitrogen test months ahead does not predict supply.',
        ]);
    }

    /** @throws ValueOutOfRange */
    public static function byNitrate(float $ppm, DepthLayer $layer, float $u = 0.0): self
    {
        Bounds::within('nitrate', $ppm, 0, INF, ['unit' => 'ppm']);
        Bounds::within('uncertainty_of_the_nitrate', $u, 0, INF, ['unit' => 'ppm']);
        /**
         * @var array{psnt_critical: float|int, psnt_each: float|int, psnt_layer_in: array{float|int, float|int}}
         *                                                                                                        $table
         */
        $table = RuleTable::named('nitrogen');
        $made = DepthLayer::ofInches((float) $table['psnt_layer_in'][0], (float) $table['psnt_layer_in'][1]);
        if (abs($layer->topCm - $made->topCm) > 1e-6 || abs($layer->bottomCm - $made->bottomCm) > 1e-6) {
            return new self('unable', null, null, null, [
                "The test is made for {$made->text()}, and the sample stands for {$layer->text()}.",
            ]);
        }
        $rate = static fn (float $value): float => $table['psnt_each'] * max(0.0, $table['psnt_critical'] - $value);

        return new self(
            'psnt',
            $rate($ppm),
            null,
            [$rate($ppm + 2 * $u), $rate(max(0.0, $ppm - 2 * $u))],
            ['By the pre-side-dress nitrate test, for corn; written from memory of its source.'],
        );
    }

    /** @return array<string, mixed> */
    public function toArray(NitrogenSplits $splits, ?float $cec, float $cap): array
    {
        return [
            'basis' => $this->basis,
            ...AreaRate::shown($this->lbPerAcre),
            'credits' => $this->credits?->toArray(),
            'interval' => $this->interval,
            'splits' => $this->lbPerAcre === null ? null : $splits->of($this->lbPerAcre, $cec, $cap),
            'reasons' => $this->reasons,
        ];
    }
}
