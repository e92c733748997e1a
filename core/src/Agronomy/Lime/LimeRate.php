<?php

declare(strict_types=1);

namespace HonestCore\Agronomy\Lime;

/**
 * A lime requirement of one school with its arithmetic: of its own stone to its own depth, or of a product.
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
        public LimeSchool $school,
        public ?float $tonsPerAcre,
        public bool $atMost,
        public array $steps,
        public ?string $note,
    ) {}

    /** @param list<WorkingStep> $steps */
    public static function of(
        LimeSchool $school,
        float $tonsPerAcre,
        array $steps,
        bool $atMost = false,
        ?string $note = null,
    ): self {
        return new self($school, $tonsPerAcre, $atMost, $steps, $note);
    }

    public static function none(LimeSchool $school, string $why): self
    {
        return new self($school, null, false, [], $why);
    }

    /** The rate of a real material for the depth limed: P = L (d/d0) E0/E, with the two steps shown. */
    public function adjusted(float $depthIn, LimeMaterial $material): self
    {
        if ($this->tonsPerAcre === null || $this->tonsPerAcre <= 0) {
            return $this;
        }
        $own = $this->school->depthIn();
        $byDepth = $own === null ? $this->tonsPerAcre : ($this->tonsPerAcre * $depthIn) / $own;
        [$reference, $effectiveness] = [$this->school->effectiveness(), $material->effectiveness()];
        $rate = ($byDepth * $reference) / $effectiveness;
        $shown = static fn (float $v, int $digits = 2): string => rtrim(
            rtrim(number_format($v, $digits, '.', ''), '0'),
            '.',
        );
        $steps =
            $own === null
                ? []
                : [
                    new WorkingStep(
                        'for the depth limed',
                        "{$shown($this->tonsPerAcre)} × {$shown($depthIn)} in / {$shown($own)} in",
                        $byDepth,
                        'tons/acre',
                    ),
                ];

        return new self(
            $this->school,
            $rate,
            $this->atMost,
            [
                ...$this->steps,
                ...$steps,
                new WorkingStep(
                    'for the stone',
                    "{$shown($byDepth)} × {$shown($reference, 4)} / {$shown(
                        $effectiveness,
                        4,
                    )}, effectiveness of the school's stone and of yours",
                    $rate,
                    'tons/acre',
                ),
            ],
            $this->note,
        );
    }
}
