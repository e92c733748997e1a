<?php

declare(strict_types=1);

namespace HonestCore\Labs;

use HonestCore\Quantity\DepthLayer;
use HonestCore\Table\RuleTable;

/**
 * What is to be mended before a consignment goes to a lab.
 *
 * Rule: enough soil for the tests; the depth that the lab's calibration is for; every field of its form that must be
 * filled;
 *   special tests marked on the outside; soil over a quarantine border; soil dry, unless a test hurries; and what
 * hurries
 *   there in time.
 * Source: common practice; the lab's own figures; data/storage.json for the tests that hurry.
 */
final class ConsignmentCheck
{
    private const DEPTH_SLACK_CM = 0.5;

    /**
     * @param list<ConsignmentPortion> $portions
     * @param list<array{label: string, required: bool, value: string}> $form
     * @param int $arrives when the consignment will be there, in seconds since 1970, UTC
     * @return list<array{code: string, portion: string|null, text: string}>
     */
    public static function warnings(array $portions, array $form, string $quarantine, int $arrives): array
    {
        $found = $portions === [] ? [self::say('empty', null, 'The consignment is empty: choose portions and tests.')] : [];
        foreach ($portions as $portion) {
            array_push($found, ...self::ofPortion($portion, $arrives));
        }
        foreach ($form as $field) {
            if ($field['required'] && trim($field['value']) === '') {
                $found[] = self::say('form', null, "The lab's form asks for \"{$field['label']}\", which is empty.");
            }
        }
        $outside = array_unique(
            array_filter(
                array_merge(
                    ...array_map(
                        static fn (ConsignmentPortion $one): array => array_map(
                            static fn (LabTest $test): string => $test->outside,
                            $one->tests,
                        ),
                        $portions,
                    ),
                    ...[[]],
                ),
            ),
        );
        foreach ($outside as $words) {
            $found[] = self::say('outside', null, "Write on the outside of the consignment: {$words}.");
        }
        if ($quarantine !== '') {
            $found[] = self::say('quarantine', null, "Soil may cross a quarantine border on this way: {$quarantine}");
        }

        return $found;
    }

    /** @return list<array{code: string, portion: string|null, text: string}> */
    private static function ofPortion(ConsignmentPortion $portion, int $arrives): array
    {
        $found = [];
        $code = $portion->code;
        if ($portion->tests === []) {
            $found[] = self::say('tests', $code, "No test is asked of {$code}.");
        }
        if ($portion->volumeMl !== null && $portion->volumeMl < $portion->needsMl()) {
            $found[] = self::say(
                'volume',
                $code,
                "{$code} holds {$portion->volumeMl} ml; its tests need {$portion->needsMl()} ml.",
            );
        }
        foreach ($portion->tests as $test) {
            if (self::differ($test->depth, $portion->depth)) {
                $found[] = self::say(
                    'depth',
                    $code,
                    "{$code} is soil of {$portion->depth?->text()}; the lab's calibration of {$test->name} is for {$test->depth?->text()}.",
                );
            }
        }
        $hurries = self::hurries($portion);
        if (! $hurries && in_array($portion->state, ['split', 'drying'], true)) {
            $found[] = self::say('moist', $code, "{$code} is not dry: spread it 12 to 24 h in air first.");
        }
        if ($portion->over) {
            $found[] = self::say(
                'over',
                $code,
                "The time of {$code} has run out; a result of what hurries cannot be trusted.",
            );
        } elseif ($hurries && $portion->deadline !== null && $arrives > $portion->deadline) {
            $found[] = self::say(
                'late',
                $code,
                "{$code} would be there ".
                    gmdate('j M H:i', $arrives).
                    ' UTC, after its time runs out '.
                    gmdate('j M H:i', $portion->deadline).
                    ' UTC: freeze it, or send it faster.',
            );
        }

        return $found;
    }

    private static function hurries(ConsignmentPortion $portion): bool
    {
        /** @var array{hasty: list<string>} $table */
        $table = RuleTable::named('storage');

        return array_filter(
            $portion->tests,
            static fn (LabTest $test): bool => in_array($test->code, $table['hasty'], true),
        ) !== [];
    }

    /** @return array{code: string, portion: string|null, text: string} */
    private static function say(string $code, ?string $portion, string $text): array
    {
        return ['code' => $code, 'portion' => $portion, 'text' => $text];
    }

    /** A depth that is not known differs from none. */
    private static function differ(?DepthLayer $one, ?DepthLayer $other): bool
    {
        return $one !== null && $other !== null && (abs($one->topCm - $other->topCm) > self::DEPTH_SLACK_CM ||
            abs($one->bottomCm - $other->bottomCm) > self::DEPTH_SLACK_CM);
    }
}
