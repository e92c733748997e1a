<?php

declare(strict_types=1);

namespace HonestCore\Simulation;

use HonestCore\Error\BadTable;
use HonestCore\Error\ValueOutOfRange;
use HonestCore\Table\RuleTable;

/**
 * What sampling costs and what a wrong rate costs.
 *
 * Quantities and units: pH; tons an acre for each pH unit of lift; money of the user's own a ton, a sample, an hour,
 * and
 * an acre and pH unit left short; kilometres an hour; seconds a core.
 */
final readonly class Stakes
{
    private function __construct(
        public float $limePh,
        public float $targetPh,
        public float $labSdPh,
        public float $tonsPerAcreAndPh,
        public float $limePricePerTon,
        public float $labFee,
        public float $wagePerHour,
        public float $lossPerAcreAndPh,
        public float $speedKmPerH,
        public float $secondsPerCore,
    ) {}

    /**
     * The usual stakes, single ones replaced.
     *
     * @param array<string, float> $given by the keys of data/comparison.json
     *
     * @throws BadTable
     * @throws ValueOutOfRange
     */
    public static function of(float $limePh, float $targetPh, array $given = []): self
    {
        if (! ($targetPh >= $limePh && $limePh > 0)) {
            throw new ValueOutOfRange('target_ph', ['value' => $targetPh, 'lime_ph' => $limePh]);
        }
        $table = RuleTable::named('comparison');
        $values = [];
        foreach (
            [
                'lab_sd_ph',
                'tons_per_acre_and_ph',
                'lime_price_per_ton',
                'lab_fee',
                'wage_per_hour',
                'loss_per_acre_and_ph',
                'speed_km_per_h',
                'seconds_per_core',
            ] as $key
        ) {
            $value = $given[$key] ?? $table[$key];
            if (! is_numeric($value) || ! is_finite((float) $value) || (float) $value < 0) {
                throw new ValueOutOfRange('stake', ['key' => $key]);
            }
            $values[] = (float) $value;
        }
        if ($values[6] <= 0) {
            throw new ValueOutOfRange('speed_of_stakes', ['value' => $values[6], 'unit' => 'km/h']);
        }

        return new self($limePh, $targetPh, ...$values);
    }

    /** Lime that ground of a pH asks for, tons an acre. */
    public function need(float $ph): float
    {
        return $ph < $this->limePh ? ($this->targetPh - $ph) * $this->tonsPerAcreAndPh : 0.0;
    }

    /**
     * Hours to pull a scheme: walking and coring.
     *
     * Source: the walk through n random places on ground A is about 0.7124 sqrt(n A), Beardwood, Halton & Hammersley
     * 1959.
     */
    public function hours(int $cores, float $areaM2): float
    {
        return (0.7124 * sqrt($cores * $areaM2)) / 1000 / $this->speedKmPerH + ($cores * $this->secondsPerCore) / 3600;
    }
}
