<?php

declare(strict_types=1);

namespace HonestCore\Practice;

use HonestCore\Error\ValueOutOfRange;
use HonestCore\Quantity\DepthLayer;

/**
 * What somebody chose on the practice ground: how many cores, apart by history or not, away from road and old wall or not, to full
 * depth or not, measured by a lab or by a kit alone.
 *
 * Domain: 1 to 200 cores in a composite.
 */
final readonly class PracticeChoices
{
    /** What a careful hand pulls. */
    private const CORES = 20;

    /** The share of a composite's cores that makes it no other composite. */
    private const STRAY = 0.1;

    private const FULL_CM = 12.7;

    /** @throws ValueOutOfRange */
    public function __construct(
        public int $cores = self::CORES,
        public bool $apart = true,
        public bool $away = true,
        public bool $fullDepth = true,
        public bool $byLab = true,
    ) {
        if ($cores < 1 || $cores > 200) {
            throw new ValueOutOfRange('cores_of_practice_choice', ['value' => $cores, 'low' => 1, 'high' => 200]);
        }
    }

    /**
     * What somebody did choose, by the composites that they pulled.
     *
     * Variant: the fewest cores of a composite count; a composite lies over two histories where more than one core in ten lies beyond
     * the line; a core is near the road, the wall or the edge within what a careful hand keeps away; the top alone ends above 5 in.
     *
     * @param non-empty-list<array{places: non-empty-list<array{float, float}>, layer: DepthLayer}> $composites places in metres
     *
     * @throws ValueOutOfRange
     */
    public static function made(PracticeGround $ground, array $composites, bool $byLab): self
    {
        [$cores, $apart, $away, $full] = [200, true, true, true];
        foreach ($composites as ['places' => $places, 'layer' => $layer]) {
            $beyond = count(array_filter($places, static fn (array $at): bool => $ground->isBeyond($at[0])));
            $fewer = min($beyond, count($places) - $beyond);
            $cores = min($cores, count($places));
            $apart = $apart && $fewer <= self::STRAY * count($places);
            $near = array_filter($places, static fn (array $at): bool => $ground->isNearTrouble($at[0], $at[1]));
            $away = $away && count($near) <= self::STRAY * count($places);
            $full = $full && $layer->topCm < 1 && $layer->bottomCm >= self::FULL_CM;
        }

        return new self($cores, $apart, $away, $full, $byLab);
    }

    /** @return array<string, self> the same with one choice made as a careful hand makes it; only those that would differ */
    public function betterInOne(): array
    {
        return array_filter([
            'cores' => $this->cores < self::CORES ? $this->with(cores: self::CORES) : null,
            'apart' => $this->apart ? null : $this->with(apart: true),
            'away' => $this->away ? null : $this->with(away: true),
            'full_depth' => $this->fullDepth ? null : $this->with(fullDepth: true),
            'by_lab' => $this->byLab ? null : $this->with(byLab: true),
        ]);
    }

    public static function careful(): self
    {
        return new self();
    }

    /** @return array<string, self> all as a careful hand does, but for one */
    public static function carelessInOne(): array
    {
        return [
            'three cores' => new self(cores: 3),
            'one composite over two histories' => new self(apart: false),
            'road and wall not left out' => new self(away: false),
            'the top alone' => new self(fullDepth: false),
            'a kit alone' => new self(byLab: false),
        ];
    }

    private function with(
        ?int $cores = null,
        ?bool $apart = null,
        ?bool $away = null,
        ?bool $fullDepth = null,
        ?bool $byLab = null,
    ): self {
        return new self(
            $cores ?? $this->cores,
            $apart ?? $this->apart,
            $away ?? $this->away,
            $fullDepth ?? $this->fullDepth,
            $byLab ?? $this->byLab,
        );
    }
}
