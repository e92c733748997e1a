<?php

declare(strict_types=1);

namespace HonestCore\Program;

use HonestCore\Agronomy\Lime\LabPh;
use HonestCore\Agronomy\Lime\LimeAdvice;
use HonestCore\Quantity\DepthLayer;
use HonestCore\Quantity\Extent;

/**
 * What is known of one part of an area, or of all of it: its ground, its results under the claims they are heard by, and
 * what speaks for stopping first.
 *
 * Quantity and unit: area; organic matter in percent, CEC in cmol/kg, salts in dS/m; metals in ppm, each with whether it is
 * a bound.
 */
final readonly class PartResults
{
    /**
     * @param int $number of the part; 0 for an area in one
     * @param array<string, Heard> $heard by analyte
     * @param list<string> $phNotes what speaks against the pH being one figure, in words
     * @param array<string, list<array{float, bool}>> $metals by analyte
     * @param list<string> $inQuestion what the lab was asked about and has not been answered
     * @param list<string> $spreadBefore what was spread shortly before it was pulled, in words
     * @param 'sand'|'loam'|'clay'|null $texture
     * @param array<string, string> $causes answers to what may have lifted the pH, by question
     */
    public function __construct(
        public int $number,
        public string $label,
        public Extent $ground,
        public ?DepthLayer $layer,
        public string $sample,
        public LimeAdvice $lime,
        public ?LabPh $ph,
        public string $phFrom,
        public string $phClaim,
        public array $phNotes,
        public array $heard,
        public array $metals,
        public array $inQuestion,
        public array $spreadBefore,
        public ?string $texture,
        public ?bool $fizzes,
        public array $causes,
        public bool $isNearWater,
        public bool $mayHoldMetals,
    ) {}

    public function of(string $analyte): ?Heard
    {
        return $this->heard[$analyte] ?? null;
    }

    public function value(string $analyte): ?float
    {
        return $this->of($analyte)?->value();
    }
}
