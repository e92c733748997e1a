<?php

declare(strict_types=1);

namespace HonestCore\Agronomy\Lime;

use HonestCore\Agreement\ActionLimits;
use HonestCore\Agreement\Call;
use HonestCore\Error\ValueOutOfRange;

/**
 * A lab's pH of a composite with the buffer readings made beside it.
 *
 * Quantity and unit: pH; each buffer reading belongs to the school whose buffer was used and feeds no other.
 * `uncertainty` is the expanded one (coverage factor 2), null when the lab has not said.
 */
final readonly class LabPh
{
    private function __construct(
        public float $ph,
        public ?float $uncertainty,
        public ?float $mehlichBuffer,
        public ?float $smpBuffer,
    ) {}

    /** @throws ValueOutOfRange */
    public static function of(float $ph, ?float $uncertainty, ?float $mehlichBuffer, ?float $smpBuffer): self
    {
        foreach ([$mehlichBuffer, $smpBuffer] as $buffer) {
            SoilAcidity::of($ph, $buffer ?? 7.0);
        }

        return new self($ph, $uncertainty, $mehlichBuffer, $smpBuffer);
    }

    /** Could the reading lie on the other side of the limit? */
    public function isTooCloseTo(float $limit): bool
    {
        return Call::ofValue($this->ph, $this->uncertainty, ActionLimits::of([$limit]))->isTooClose();
    }
}
