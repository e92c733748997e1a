<?php

declare(strict_types=1);

namespace HonestCore\Agronomy\Lime;

/**
 * A lime requirement of one school with its arithmetic.
 *
 * Quantity and unit: US short tons of material an acre. `atMost` is true when the table only bounds the
 * rate from above; the rate is null when the school cannot give one, and `note` says why.
 */
final readonly class LimeRate
{
    public const TONNES_PER_HECTARE = 907.18474 / 1000 / 0.40468564224;

    public const POUNDS_PER_1000_SQ_FT = 2000 / 43.56;

    /** @param list<WorkingStep> $steps */
    private function __construct(
        public string $school,
        public ?float $tonsPerAcre,
        public bool $atMost,
        public array $steps,
        public ?string $note,
        public string $source,
    ) {}

    /** @param list<WorkingStep> $steps */
    public static function of(string $school, float $tonsPerAcre, array $steps, string $source, bool $atMost = false, ?string $note = null): self
    {
        return new self($school, $tonsPerAcre, $atMost, $steps, $note, $source);
    }

    public static function none(string $school, string $why, string $source): self
    {
        return new self($school, null, false, [], $why, $source);
    }

    /** The rate for a depth other than the school's and for a real material, with the two steps shown. */
    public function adjusted(float $depthInches, LimeMaterial $material, float $tableDepthInches = 8.0): self
    {
        if ($this->tonsPerAcre === null || $this->tonsPerAcre <= 0) {
            return $this;
        }
        $byDepth = $this->tonsPerAcre * $depthInches / $tableDepthInches;
        $rate = $byDepth / $material->effectiveness();
        $shown = static fn (float $v): string => rtrim(rtrim(number_format($v, 2, '.', ''), '0'), '.');

        return new self($this->school, $rate, $this->atMost, [
            ...$this->steps,
            new WorkingStep('for the depth limed', "{$shown($this->tonsPerAcre)} × {$shown($depthInches)} in / {$shown($tableDepthInches)} in", $byDepth, 'tons/acre'),
            new WorkingStep(
                'for the material',
                "{$shown($byDepth)} / ({$shown($material->ccePercent)} % carbonate equivalent × {$shown($material->fineness)} fineness)",
                $rate, 'tons/acre',
            ),
        ], $this->note, $this->source);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'school' => $this->school,
            'tons_per_acre' => $this->tonsPerAcre,
            'tonnes_per_hectare' => $this->tonsPerAcre === null ? null : $this->tonsPerAcre * self::TONNES_PER_HECTARE,
            'pounds_per_1000_sq_ft' => $this->tonsPerAcre === null ? null : $this->tonsPerAcre * self::POUNDS_PER_1000_SQ_FT,
            'at_most' => $this->atMost,
            'steps' => array_map(static fn (WorkingStep $step): array => $step->toArray(), $this->steps),
            'note' => $this->note,
            'source' => $this->source,
        ];
    }
}
