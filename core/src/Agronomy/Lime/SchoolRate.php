<?php

declare(strict_types=1);

namespace HonestCore\Agronomy\Lime;

use HonestCore\Table\RuleTable;

/**
 * What one school says of a product: its amount with interval, what goes on in one dressing and what waits for a
 * retest.
 *
 * Quantity and unit: US short tons of product an acre; `own` is the school's own stone to its own depth. Null where it
 * cannot say.
 * Variant: interval by 2 u of buffer and of pH, their halves added in quadrature; buffers held within the school's own
 * range, the
 *   pH at most at the target.
 * Source: the contract of `lime:rate`; one unit of pH and 4 tons in a dressing are common practice
 * (data/lime-schools.json).
 */
final readonly class SchoolRate
{
    private const KG_PER_HA = (2000 * 0.45359237) / 0.40468564224;

    /**
     * @param array{float, float}|null $interval
     * @param list<string> $reasons
     */
    private function __construct(
        public LimeSchool $school,
        public ?float $reading,
        public ?float $own,
        public float $depthIn,
        public LimeRate $rate,
        public ?float $tons,
        public ?array $interval,
        public ?float $now,
        public ?float $later,
        public bool $atMost,
        public array $reasons,
    ) {}

    public static function of(LimeQuestion $asked, LimeSchool $school, float $reading): self
    {
        $depth = $asked->depthIn();
        $rate = $school->rate($asked->ph, $reading, $asked->target, $depth);
        $own = $rate->tonsPerAcre;
        $product = $rate->adjusted($depth, $asked->material);
        $reasons = array_values(array_filter([$rate->note ?? '', $own === null || $own <= 0.0 ? '' : $school->said()]));
        if ($own === null || $product->tonsPerAcre === null) {
            return new self(
                $school,
                $reading,
                null,
                $school->depthIn() ?? $depth,
                $product,
                null,
                null,
                null,
                null,
                false,
                $reasons,
            );
        }
        $tons = $product->tonsPerAcre;
        $half = self::half($asked, $school, $reading);
        /** @var array{dressing_tons_per_acre: float|int, dressing_ph_units: float|int} $table */
        $table = RuleTable::named('lime-schools');
        $now =
            $asked->target > $asked->ph
                ? min(
                    $tons,
                    ($tons * $table['dressing_ph_units']) / ($asked->target - $asked->ph),
                    $table['dressing_tons_per_acre'],
                )
                : 0.0;
        if ($tons - $now > 1e-9) {
            $reasons[] =
                'More than goes on at once: one dressing moves one unit of pH or '.
                $table['dressing_tons_per_acre'].
                ' tons an acre at most; the rest waits for a retest.';
        }

        return new self(
            $school,
            $reading,
            $own,
            $school->depthIn() ?? $depth,
            $product,
            $tons,
            [$rate->atMost ? 0.0 : max(0.0, $tons - $half), $tons + $half],
            (float) $now,
            $tons - $now,
            $rate->atMost,
            $reasons,
        );
    }

    /** A school when nothing is to be spread, or when nothing may be said. */
    public static function still(LimeQuestion $asked, LimeSchool $school, float $reading, ?float $tons): self
    {
        $depth = $asked->depthIn();
        $rate = $tons === null ? LimeRate::none($school, '') : LimeRate::of($school, $tons, []);

        return new self(
            $school,
            $reading,
            $tons,
            $school->depthIn() ?? $depth,
            $rate,
            $tons,
            $tons === null ? null : [$tons, $tons],
            $tons,
            $tons,
            false,
            [],
        );
    }

    /** A school whose reading the lab did not give. */
    public static function missing(LimeSchool $school): self
    {
        $why =
            "The lab did not report a pH in this school's buffer; the other school's reading cannot stand in for ".
                'it.';

        return new self(
            $school,
            null,
            null,
            $school->depthIn() ?? NAN,
            LimeRate::none($school, $why),
            null,
            null,
            null,
            null,
            false,
            [$why],
        );
    }

    /** Half the width of the interval, in tons. */
    private static function half(LimeQuestion $asked, LimeSchool $school, float $reading): float
    {
        $at = static function (float $ph, float $buffer) use ($asked, $school): float {
            $rate =
                $ph >= $asked->target
                    ? 0.0
                    : $school
                        ->rate($ph, $buffer, $asked->target, $asked->depthIn())
                        ->adjusted($asked->depthIn(), $asked->material)->tonsPerAcre;

            return $rate ?? 0.0;
        };
        $lowest = $school === LimeSchool::AdamsEvans ? AdamsEvansBuffer::LOWEST_PH : 0.0;
        $byBuffer =
            $school === LimeSchool::Capacity
                ? 0.0
                : abs(
                    $at($asked->ph, $school->held($reading - 2 * $asked->uBuffer)) -
                        $at($asked->ph, $school->held($reading + 2 * $asked->uBuffer)),
                ) / 2;
        $byPh =
            $school === LimeSchool::Smp
                ? 0.0
                : abs(
                    $at(max($lowest, $asked->ph - 2 * $asked->uPh), $reading) -
                        $at(max($lowest, min($asked->target, $asked->ph + 2 * $asked->uPh)), $reading),
                ) / 2;

        return sqrt($byBuffer ** 2 + $byPh ** 2);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'school' => $this->school->value,
            'reading' => $this->reading,
            'reference' => [
                'tons_per_acre' => $this->own,
                'depth_in' => $this->depthIn,
                'effectiveness' => $this->school->effectiveness(),
            ],
            'product' => [
                'tons_per_acre' => $this->tons,
                'lb_per_1000sqft' => $this->tons === null ? null : $this->tons * LimeRate::POUNDS_PER_1000_SQ_FT,
                'kg_per_ha' => $this->tons === null ? null : $this->tons * self::KG_PER_HA,
            ],
            'interval' => $this->interval,
            'now' => $this->now,
            'later' => $this->later,
            'at_most' => $this->atMost,
            'reasons' => $this->reasons,
        ];
    }
}
