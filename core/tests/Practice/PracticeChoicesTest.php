<?php

declare(strict_types=1);

namespace HonestCore\Tests\Practice;

use HonestCore\Error\ValueOutOfRange;
use HonestCore\Practice\PracticeChoices;
use PHPUnit\Framework\TestCase;

/** What somebody chose on the practice ground. */
final class PracticeChoicesTest extends TestCase
{
    public function test_no_core_and_a_thousand_are_refused(): void
    {
        foreach ([0, 1000] as $cores) {
            try {
                new PracticeChoices($cores);
                self::fail("{$cores} cores");
            } catch (ValueOutOfRange $refused) {
                self::assertStringContainsString('200', $refused->forPeople());
            }
        }
        self::assertSame(['away'], array_keys((new PracticeChoices(cores: 30, away: false))->betterInOne()), 'more cores are no mistake');
    }
}
