<?php

declare(strict_types=1);

namespace App\Actions\Practice;

/** An area of a practice ground: where it lies, what is believed of its pH, and what is true of it. */
final readonly class AreaOnGround
{
    /**
     * @param list<array{float, float}> $ring metres
     * @param list<int> $cells of the map that lie within it
     * @param float|null $true pH, mean over the area; null where no cell lies in it
     * @param float|null $low below which a tenth of it lies, and $high above which a tenth lies
     * @param string|null $by lab or bench
     */
    public function __construct(
        public int $id,
        public string $name,
        public array $ring,
        public float $areaM2,
        public array $cells,
        public ?float $true,
        public ?float $low,
        public ?float $high,
        public ?float $believed,
        public ?string $by,
    ) {}
}
