<?php

declare(strict_types=1);

namespace HonestCore\Agronomy\Lime;

use HonestCore\Quantity\DepthLayer;
use HonestCore\Table\RuleTable;

/**
 * What the ground is that lime is sized for: the layer that was sampled, how deep the lime is mixed, and whether its
 * soil is mineral.
 *
 * Quantity and unit: mixing depth in inches; organic matter in percent, null where it was not measured.
 */
final readonly class LimeGround
{
    public function __construct(
        public DepthLayer $layer,
        public float $mixedIn,
        public ?float $organicMatter = null,
        public bool $peaty = false,
    ) {}

    /** Why tables for mineral soils do not hold here, or null where they do. */
    public function organic(): ?string
    {
        /** @var array{organic_matter_most: float|int} $table */
        $table = RuleTable::named('lime-schools');

        return match (true) {
            $this->organicMatter !== null && $this->organicMatter > $table['organic_matter_most'] => round(
                $this->organicMatter,
                1,
            ).' % organic matter',
            $this->peaty => 'the area is said to be peaty',
            default => null,
        };
    }
}
