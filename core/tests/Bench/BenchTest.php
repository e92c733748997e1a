<?php

declare(strict_types=1);

namespace HonestCore\Tests\Bench;

use HonestCore\Bench\MethodLibrary;
use HonestCore\Bench\PlausibleReading;
use HonestCore\Bench\ProtocolBreak;
use HonestCore\Error\CoreError;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

#[CoversClass(PlausibleReading::class)]
#[CoversClass(ProtocolBreak::class)]
final class BenchTest extends TestCase
{
    /** Common practice: half pH steps from 4.5 to 7.5. */
    public function test_the_capsule_reads_half_steps_without_gaps(): void
    {
        $bands = MethodLibrary::get('capsule-ph')->scale->bands->bands ?? [];

        self::assertSame(['4.5', '5.0', '5.5', '6.0', '6.5', '7.0', '7.5'], array_column($bands, 'name'));
        foreach (array_slice($bands, 1) as $i => $band) {
            self::assertSame($bands[$i]->upper, $band->lower);
            self::assertEqualsWithDelta((float) $band->name, $band->middle(), 1e-12);
        }
    }

    public function test_a_reading_no_soil_gives_is_questioned_with_what_is_accepted(): void
    {
        self::assertNull(PlausibleReading::question('ph', '6.1'));
        self::assertNull(PlausibleReading::question('buffer_ph', '6.8'));
        foreach (
            [
                '61' => 'no reading of soil',
                '6,1' => 'is not a number',
                '' => 'is not a number',
                '1.2' => 'no reading of soil',
            ] as $typed => $words
        ) {
            $question = (string) PlausibleReading::question('ph', (string) $typed);
            self::assertStringContainsString($words, $question);
            self::assertStringContainsString('accepted is a number from 2.5 to 11', $question);
        }
    }

    public function test_protocol_breaks_have_names_and_unknown_ones_are_refused(): void
    {
        self::assertSame('reagent spilled', ProtocolBreak::of('spilled')->name);
        $this->expectException(CoreError::class);
        ProtocolBreak::of('sneezed');
    }
}
