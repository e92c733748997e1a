<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

/**
 * Deming's line with the ratio of the errors, where both are known: the test's from its repeats, the reference's from
 * its stated expanded uncertainty (k = 2).
 */
final readonly class KnownErrors
{
    private function __construct(public float $ratio, public Deming $line) {}

    /** @param list<PairedSample> $samples */
    public static function of(array $samples, ?float $testSd, ?float $referenceExpanded, Scale $scale): ?self
    {
        if (($testSd ?? 0.0) <= 0 || ($referenceExpanded ?? 0.0) <= 0 || $scale !== Scale::Absolute) {
            return null;
        }
        $ratio = ($testSd / ($referenceExpanded / 2)) ** 2;
        $line = Deming::fit(
            array_map(static fn (PairedSample $one): float => $one->reference, $samples),
            array_map(static fn (PairedSample $one): float => $one->test(), $samples),
            $ratio,
        );

        return new self($ratio, $line);
    }

    /** @return array{ratio: float, slope: ?float, intercept: ?float} */
    public function toArray(): array
    {
        return ['ratio' => $this->ratio] + $this->line->toArray();
    }
}
