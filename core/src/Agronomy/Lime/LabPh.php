<?php

declare(strict_types=1);

namespace HonestCore\Agronomy\Lime;

use HonestCore\Agreement\ActionLimits;
use HonestCore\Agreement\Call;
use HonestCore\Error\ValueOutOfRange;

/**
 * A pH that may size lime, with the buffer readings made beside it: a lab's, or that of a test whose rate claim stands.
 *
 * Quantity and unit: pH; each buffer reading belongs to the school whose buffer was used and feeds no other.
 * `uncertainty` is the expanded one (coverage factor 2), null when nobody has said.
 */
final readonly class LabPh
{
    /**
     * @param array<string, float> $buffers by the code of their school
     * @param string $test the test that read it, empty for the lab
     */
    private function __construct(
        public float $ph,
        public ?float $uncertainty,
        public array $buffers,
        public string $test,
    ) {}

    /**
     * @param array<string, float|null> $buffers by the code of their school
     *
     * @throws ValueOutOfRange
     */
    public static function of(float $ph, ?float $uncertainty, array $buffers = [], string $test = ''): self
    {
        $given = array_filter($buffers, is_float(...));
        foreach ($given === [] ? [7.0] : $given as $buffer) {
            SoilAcidity::of($ph, $buffer);
        }

        return new self($ph, $uncertainty, $given, $test);
    }

    public function buffer(LimeSchool $school): ?float
    {
        return $this->buffers[$school->value] ?? null;
    }

    /** Could the reading lie on the other side of the limit? */
    public function isTooCloseTo(float $limit): bool
    {
        return Call::ofValue($this->ph, $this->uncertainty, ActionLimits::of([$limit]))->isTooClose();
    }
}
