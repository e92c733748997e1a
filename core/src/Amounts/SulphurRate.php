<?php

declare(strict_types=1);

namespace HonestCore\Amounts;

use HonestCore\Error\Bounds;
use HonestCore\Error\ValueOutOfRange;
use HonestCore\Quantity\AreaRate;
use HonestCore\Table\RuleTable;

/**
 * Elemental sulphur to lower the pH, or why none.
 *
 * Quantity and unit: pounds an acre; capacity in mg CaCO3 for each kg and pH unit; carbonate in percent; depth in
 * inches; a dressing
 *   in lb for 100 sq ft.
 * Domain: pH and target 3 to 10; by the table pH up to 7.5, target from 4.5, sand or loam; by a measured capacity
 * otherwise.
 * Source: the contract of `acidify:rate`; data/sulphur.json.
 */
final readonly class SulphurRate
{
    /**
     * @param 'none'|'stop'|'unable'|'amount' $answer
     * @param list<float>|null $dressings
     * @param list<string> $ask
     * @param list<string> $reasons
     */
    private function __construct(
        public string $answer,
        public ?float $lbPerAcre,
        public ?array $dressings,
        public ?float $carbonateLbPerAcre,
        public array $ask,
        public array $reasons,
    ) {}

    /**
     * @param 'sand'|'loam'|'clay'|null $texture
     *
     * @throws ValueOutOfRange
     */
    public static function of(
        float $ph,
        float $target,
        ?string $texture = null,
        ?float $carbonate = null,
        ?bool $fizzes = null,
        ?float $capacity = null,
        float $depthIn = 6.0,
        float $most = 2.0,
    ): self {
        self::check($ph, $target, $carbonate, $capacity, $depthIn, $most);
        /**
         * @var array{depth_in: float|int, table: list<array{float|int, float|int, float|int}>,
         * sulphur_per_carbonate: array{float, float}, stop_carbonate: float, ask_above: float, ask: array<string, string>} $rules
         */
        $rules = RuleTable::named('sulphur');
        $share = $rules['sulphur_per_carbonate'][0] / $rules['sulphur_per_carbonate'][1];
        $eaten = $carbonate === null ? null : (($share * $carbonate) / 100) * AreaRate::LB_PER_ACRE_INCH * $depthIn;
        $ask = $ph > $rules['ask_above'] ? array_values($rules['ask']) : [];
        [$answer, $why] = self::answer(
            $ph,
            $target,
            $texture,
            $carbonate,
            $fizzes,
            $capacity,
            $rules['stop_carbonate'],
        );
        if ($answer !== 'amount') {
            $none = $answer === 'none';

            return new self($answer, $none ? 0.0 : null, $none ? [] : null, $eaten, $ask, [$why]);
        }
        $column = $texture === 'sand' ? 1 : 2;
        $drop = $capacity === null
            ? self::read($rules['table'], $ph, $column) - self::read($rules['table'], $target, $column)
            : null;
        $rate = $drop === null
            ? AreaRate::ofLbPerAcre($share * 0.3 * (float) $capacity * ($ph - $target) * $depthIn)
            : AreaRate::ofLbPer100SqFt(($drop * $depthIn) / $rules['depth_in']);
        $parts = (int) ceil($rate->lbPer100SqFt() / $most - 1e-9);

        return new self(
            'amount',
            $rate->lbPerAcre,
            $parts === 0 ? [] : array_fill(0, $parts, $rate->lbPer100SqFt() / $parts),
            $eaten,
            $ask,
            self::reasons($capacity === null ? $texture ?? '' : null, $parts, $carbonate === null && $ph > 7.0),
        );
    }

    /** @throws ValueOutOfRange */
    private static function check(
        float $ph,
        float $target,
        ?float $carbonate,
        ?float $capacity,
        float $depthIn,
        float $most,
    ): void {
        Bounds::within('amendment_ph', $ph, 3, 10);
        Bounds::within('amendment_target', $target, 3, 10);
        Bounds::within('carbonate', $carbonate, 0, 100);
        Bounds::between('capacity', $capacity, 0, INF);
        Bounds::within('depth_of_sulphur', $depthIn, 0, INF);
        Bounds::between('dressing', $most, 0, INF);
    }

    /** @return array{'none'|'stop'|'unable'|'amount', string} */
    private static function answer(
        float $ph,
        float $target,
        ?string $texture,
        ?float $carbonate,
        ?bool $fizzes,
        ?float $capacity,
        float $stop,
    ): array {
        return match (true) {
            $ph <= $target => ['none', 'The pH is at its target or below: no sulphur.'],
            $fizzes === true => [
                'stop',
                'It fizzes with vinegar: carbonate would eat the sulphur. Do not sulphur the field.',
            ],
            $carbonate !== null && $carbonate >= $stop => [
                'stop',
                "{$carbonate} % carbonate would eat the sulphur first. Do not sulphur the field.",
            ],
            $capacity !== null && $ph > 7.5 && $carbonate === null => [
                'unable',
                'Above pH 7.5 carbonate is likely, and none was measured.',
            ],
            $capacity !== null => ['amount', ''],
            $ph > 7.5 => ['unable', 'The table ends at pH 7.5.'],
            $target < 4.5 => ['unable', 'The table ends at pH 4.5.'],
            $texture === 'clay' => ['unable', 'The table has no rate for clay: measure its buffer capacity.'],
            $texture === null => ['unable', 'The table wants to know whether it is sand or loam.'],
            default => ['amount', ''],
        };
    }

    /** @param list<array{float|int, float|int, float|int}> $table */
    private static function read(array $table, float $ph, int $column): float
    {
        for ($i = 1; $i < count($table); $i++) {
            if ($ph <= $table[$i][0] || $i === count($table) - 1) {
                $share = ($ph - $table[$i - 1][0]) / ($table[$i][0] - $table[$i - 1][0]);

                return $table[$i - 1][$column] + $share * ($table[$i][$column] - $table[$i - 1][$column]);
            }
        }

        return NAN;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $rate = $this->lbPerAcre === null ? null : AreaRate::ofLbPerAcre($this->lbPerAcre);

        return [
            'answer' => $this->answer,
            'lb_per_100sqft' => $rate?->lbPer100SqFt(),
            'lb_per_acre' => $rate?->lbPerAcre,
            'kg_per_ha' => $rate?->kgPerHa(),
            'dressings' => $this->dressings,
            'carbonate_lb_per_acre' => $this->carbonateLbPerAcre,
            'ask' => $this->ask,
            'reasons' => $this->reasons,
        ];
    }

    /**
     * @param string|null $texture that the table was read for; null where the capacity was measured
     * @return list<string>
     */
    private static function reasons(?string $texture, int $parts, bool $mayFizz): array
    {
        return array_values(
            array_filter([
                $texture === null
                    ? 'By the measured buffer capacity.'
                    : "By the table for {$texture}; its figures were written from memory.",
                $parts > 1 ? "In {$parts} dressings, some months apart, with a test between them." : '',
                $mayFizz ? 'No carbonate was measured: do the vinegar test before anything is spread.' : '',
            ]),
        );
    }
}
