<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

use HonestCore\Error\ValueOutOfRange;

/**
 * How often a test sent samples to the action the reference sends them to.
 *
 * Quantity and unit: counts of samples. `matrix` has rows reference and columns test, and is null when a
 * pair could not be sorted. `cut` counts the pairs in whose middle a band stands that a limit cuts. `classes` and
 * `hits` tell of
 * each pair the class of its reference and whether the test agrees, 1 or 0.
 */
final readonly class ActionTally
{
    /**
     * @param list<array{n: int, agree: int}> $perClass
     * @param list<list<int>>|null $matrix
     * @param array<string, int> $cut pairs by name of a closed band that a limit cuts
     * @param array<string, int> $mute pairs by name of an open band that a limit cuts
     * @param int $torn pairs whose two middle bands, one of them open, sort to different classes
     * @param list<int> $classes
     * @param list<float> $hits
     */
    private function __construct(
        public int $pairs,
        public int $agree,
        public array $perClass,
        public ?array $matrix,
        public array $cut,
        public array $mute,
        public bool $anyBandSorts,
        public int $torn,
        public array $classes,
        public array $hits,
    ) {}

    /**
     * Names of the bands of a reading that a limit goes through.
     *
     * @return array{open: list<string>, closed: list<string>}
     */
    private static function cutBands(PairedSample $sample, ActionLimits $limits): array
    {
        $names = ['open' => [], 'closed' => []];
        foreach ($sample->bands === [] ? [] : Bands::middles($sample->bands) as $band) {
            if ($band->isCutBy($limits)) {
                $names[$band->isOpen() ? 'open' : 'closed'][] = $band->name;
            }
        }

        return $names;
    }

    /**
     * @param iterable<PairedSample> $samples
     *
     * @throws ValueOutOfRange when a sample's own limits make another number of classes than the policy's
     */
    public static function of(iterable $samples, ActionLimits $limits, ?Bands $bands): self
    {
        $asked = $agreed = array_fill(0, $limits->classes(), 0);
        [$agree, $cut, $mute, $torn, $unsorted, $classes, $hits, $matrix] = [0, [], [], 0, 0, [], [], []];
        foreach ($samples as $sample) {
            $own = $sample->limits ?? $limits;
            self::needSameClasses($sample->sample, $own, $limits);
            $wanted = $own->classOfComputed($sample->reference);
            $got = $sample->testClass($own, $bands);
            $asked[$wanted]++;
            $classes[] = $wanted;
            $hits[] = $got === $wanted ? 1.0 : 0.0;
            if ($got === $wanted) {
                $agreed[$wanted]++;
                $agree++;
            }
            $to = $got ?? $limits->classes();
            $matrix[$wanted][$to] = 1 + ($matrix[$wanted][$to] ?? 0);
            if ($bands !== null && $sample->bands !== []) {
                $names = self::cutBands($sample, $own);
                [$unsorted, $torn] = $got === null
                    ? [$unsorted + 1, $torn + (int) ($names['open'] === [])]
                    : [$unsorted, $torn];
                array_push($mute, ...$names['open']);
                array_push($cut, ...$names['closed']);
            }
        }

        return new self(
            count($classes),
            $agree,
            array_map(static fn (int $n, int $hits): array => ['n' => $n, 'agree' => $hits], $asked, $agreed),
            $unsorted === 0 ? ActionMatrix::ofCounts($matrix, $limits->classes(), false) : null,
            array_count_values($cut),
            array_count_values($mute),
            $bands === null || self::coversEveryClass($bands, $samples, $limits),
            $torn,
            $classes,
            $hits,
        );
    }

    /** @throws ValueOutOfRange */
    private static function needSameClasses(string $sample, ActionLimits $own, ActionLimits $limits): void
    {
        if ($own->classes() !== $limits->classes()) {
            throw new ValueOutOfRange('number_action_classes_sample', [
                'value' => $own->classes(),
                'sample' => $sample,
                'classes' => $limits->classes(),
            ]);
        }
    }

    /** @param iterable<PairedSample> $samples */
    private static function coversEveryClass(Bands $bands, iterable $samples, ActionLimits $limits): bool
    {
        $asked = [];
        foreach ($samples as $sample) {
            $own = $sample->limits ?? $limits;
            $asked[implode(',', $own->values)] = $own;
        }
        $covered = [];
        foreach ($asked === [] ? [$limits] : $asked as $own) {
            foreach ($bands->bands as $band) {
                $class = $band->classIn($own);
                if ($class !== null) {
                    $covered[$class] = true;
                }
            }
        }

        return count($covered) === $limits->classes();
    }
}
