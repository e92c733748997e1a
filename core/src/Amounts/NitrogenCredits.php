<?php

declare(strict_types=1);

namespace HonestCore\Amounts;

use HonestCore\Error\ValueOutOfRange;
use HonestCore\Table\RuleTable;

/**
 * Nitrogen that comes without fertiliser.
 *
 * Quantity and unit: lb N an acre.
 * Source: data/nitrogen.json; manure by its ammonium that is kept and its organic nitrogen that is mineralised.
 */
final readonly class NitrogenCredits
{
    private function __construct(
        public float $legume,
        public float $applied,
        public float $manure,
        public float $irrigation,
    ) {}

    /**
     * @param float $manureTons tons an acre; nitrogen in lb a ton, shares 0 to 1
     * @param float $irrigationPpm ppm NO3-N in the water, inches of it
     *
     * @throws ValueOutOfRange for anything below 0
     */
    public static function of(
        float $legume = 0.0,
        float $applied = 0.0,
        float $manureTons = 0.0,
        float $ammonium = 0.0,
        float $organic = 0.0,
        float $kept = 0.5,
        float $mineral = 0.35,
        float $irrigationPpm = 0.0,
        float $irrigationIn = 0.0,
    ): self {
        foreach ([$legume, $applied, $manureTons, $ammonium, $organic, $irrigationPpm, $irrigationIn] as $value) {
            if (! ($value >= 0 && is_finite($value))) {
                throw new ValueOutOfRange('credit', ['value' => $value, 'low' => 0]);
            }
        }
        foreach ([$kept, $mineral] as $share) {
            if (! ($share >= 0 && $share <= 1)) {
                throw new ValueOutOfRange('share', ['value' => $share, 'low' => 0, 'high' => 1]);
            }
        }
        /** @var array{irrigation_lb_per_ppm_inch: float} $table */
        $table = RuleTable::named('nitrogen');

        return new self(
            $legume,
            $applied,
            $manureTons * ($ammonium * $kept + $organic * $mineral),
            $table['irrigation_lb_per_ppm_inch'] * $irrigationPpm * $irrigationIn,
        );
    }

    public function sum(): float
    {
        return $this->legume + $this->applied + $this->manure + $this->irrigation;
    }

    /** @return array{legume: float, applied: float, manure: float, irrigation: float} */
    public function toArray(): array
    {
        return [
            'legume' => $this->legume,
            'applied' => $this->applied,
            'manure' => $this->manure,
            'irrigation' => $this->irrigation,
        ];
    }
}
