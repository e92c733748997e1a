<?php

declare(strict_types=1);

namespace HonestCore\Tests\Reports;

use HonestCore\Reports\QuestionKind;
use PHPUnit\Framework\TestCase;

final class QuestionKindTest extends TestCase
{
    public function test_results_that_may_be_of_another_sample_or_meter_vouch_for_nothing(): void
    {
        $doubts = array_map(static fn (QuestionKind $kind): string => $kind->value, QuestionKind::doubts());
        sort($doubts);

        self::assertSame(['history', 'range', 'shift', 'swap', 'unit'], $doubts);
        self::assertFalse(QuestionKind::Duplicate->isDoubt());
    }

    public function test_a_swap_alone_is_about_whole_samples(): void
    {
        foreach (QuestionKind::cases() as $kind) {
            self::assertSame($kind === QuestionKind::Swap, $kind->isOfWholeSamples(), $kind->value);
        }
    }
}
