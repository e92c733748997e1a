<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

/**
 * How often a test sent samples to the action the reference sends them to.
 *
 * Quantity and unit: counts of samples. `matrix` has rows reference and columns test, and is null when a
 * band that cannot sort was read. `cut` counts the pairs read as a band that a limit cuts.
 */
final readonly class ActionTally
{
    /**
     * @param  list<array{n: int, agree: int}>  $perClass
     * @param  list<list<int>>|null  $matrix
     * @param  array<string, int>  $cut  pairs by name of a closed band that a limit cuts
     * @param  array<string, int>  $mute  pairs by name of an open band that a limit cuts
     */
    private function __construct(
        public int $pairs,
        public int $agree,
        public array $perClass,
        public ?array $matrix,
        public array $cut,
        public array $mute,
        public bool $anyBandSorts,
    ) {}

    /** @param list<PairedSample> $samples */
    public static function of(array $samples, ActionLimits $limits, ?Bands $bands): self
    {
        $perClass = array_fill(0, $limits->classes(), ['n' => 0, 'agree' => 0]);
        $matrix = array_fill(0, $limits->classes(), array_fill(0, $limits->classes(), 0));
        [$agree, $cut, $mute] = [0, [], []];
        foreach ($samples as $sample) {
            $wanted = $limits->classOf($sample->reference);
            $got = $sample->testClass($limits, $bands);
            $perClass[$wanted]['n']++;
            if ($got === $wanted) {
                $perClass[$wanted]['agree']++;
                $agree++;
            }
            if ($got !== null) {
                $matrix[$wanted][$got]++;
            }
            if ($bands === null) {
                continue;
            }
            $band = $bands->median($sample->bands, $sample->reference, $limits);
            if ($got === null) {
                $mute[$band->name] = ($mute[$band->name] ?? 0) + 1;
            } elseif ($band->isCutBy($limits)) {
                $cut[$band->name] = ($cut[$band->name] ?? 0) + 1;
            }
        }

        return new self(
            count($samples), $agree, array_values($perClass), $mute === [] ? $matrix : null, $cut, $mute,
            $bands === null || self::coversEveryClass($bands, $limits),
        );
    }

    private static function coversEveryClass(Bands $bands, ActionLimits $limits): bool
    {
        $covered = [];
        foreach ($bands->bands as $band) {
            $class = $band->classIn($limits);
            if ($class !== null) {
                $covered[$class] = true;
            }
        }

        return count($covered) === $limits->classes();
    }
}
