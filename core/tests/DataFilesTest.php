<?php

declare(strict_types=1);

namespace HonestCore\Tests;

use HonestCore\Agreement\DefaultPolicy;
use HonestCore\Error\CoreError;
use HonestCore\Table\RuleTable;
use PHPUnit\Framework\TestCase;

/** Rule tables are data with a source, and policies exist for what they are promised for. */
final class DataFilesTest extends TestCase
{
    public function test_every_table_names_its_source(): void
    {
        $files = glob(__DIR__.'/../data/*.json');
        self::assertNotFalse($files);
        self::assertNotSame([], $files);
        foreach ($files as $file) {
            self::assertGreaterThan(
                20,
                strlen((string) RuleTable::named(basename($file, '.json'))['source']),
                basename($file),
            );
        }
    }

    public function test_a_table_that_is_not_there_is_refused(): void
    {
        $this->expectException(CoreError::class);

        RuleTable::named('../composer');
    }

    public function test_policies_are_sound_and_single_terms_can_be_replaced(): void
    {
        foreach (['ph', 'buffer_ph', 'p', 'k', 'om', 'no3n', 'pb'] as $analyte) {
            self::assertSame(0.8, DefaultPolicy::for($analyte)->required, $analyte);
        }
        self::assertSame([5.5], DefaultPolicy::for('ph', thresholds: [5.5])->limits->values);
    }

    public function test_an_analyte_without_a_policy_asks_for_its_terms(): void
    {
        try {
            DefaultPolicy::for('zn');
            self::fail('It was accepted.');
        } catch (CoreError $error) {
            self::assertStringContainsString('--thresholds, --allowable, --change', $error->getMessage());
        }
        $this->expectExceptionMessage('is no analyte code');
        DefaultPolicy::for('gold');
    }
}
