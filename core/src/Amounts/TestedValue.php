<?php

declare(strict_types=1);

namespace HonestCore\Amounts;

use HonestCore\Error\Bounds;
use HonestCore\Error\ValueOutOfRange;
use HonestCore\Quantity\DepthLayer;

/**
 * A result that an amount may be sized by: a lab's, or of a test whose rate claim stands.
 *
 * Quantity and unit: value and expanded uncertainty in the home unit of its analyte.
 * Domain: neither below 0; the uncertainty is null where nobody stated one. `extractant` is empty where none is known,
 * as for a test that was judged against the lab's.
 */
final readonly class TestedValue
{
    private function __construct(
        public float $value,
        public ?float $expanded,
        public string $extractant,
        public DepthLayer $layer,
        public string $test,
    ) {}

    /** @throws ValueOutOfRange */
    public static function of(
        float $value,
        ?float $expanded,
        string $extractant,
        DepthLayer $layer,
        string $test = '',
    ): self {
        Bounds::within('result_tested', $value, 0, INF);
        Bounds::within('uncertainty_of_the_result', $expanded, 0, INF);

        return new self($value, $expanded, $extractant, $layer, $test);
    }
}
