<?php

declare(strict_types=1);

namespace HonestCore\Tests\Practice;

use HonestCore\Agronomy\Lime\LimeSchool;
use HonestCore\Agronomy\Lime\MehlichBuffer;
use HonestCore\Agronomy\Lime\SmpBuffer;
use HonestCore\Agronomy\Lime\SoilAcidity;
use HonestCore\Practice\BufferOfGround;
use HonestCore\Practice\PracticeGround;
use HonestCore\Practice\PracticeLevel;
use PHPUnit\Framework\TestCase;

/** What the buffers show of practice soil leads back to the lime that the ground takes up. */
final class BufferOfGroundTest extends TestCase
{
    public function test_each_school_sizes_the_lime_that_the_ground_needs(): void
    {
        foreach ([3, 19, 40] as $seed) {
            $ground = PracticeGround::made($seed, PracticeLevel::named('usual'));
            foreach ([5.2, 5.8, 6.3] as $ph) {
                $needed = $ground->limeNeeded($ph, 6.5);
                // The school's own stone and 8 in turned into pure lime and 6 in, by the definitions of both.
                $pure = static fn (LimeSchool $school, ?float $tons): float => (float) $tons * $school->effectiveness() * 6 / 8;
                $mehlich = MehlichBuffer::rate(SoilAcidity::near($ph, BufferOfGround::mehlich($ground, $ph)), 6.5)->tonsPerAcre;
                self::assertEqualsWithDelta($needed, $pure(LimeSchool::Mehlich, $mehlich), 1e-6, "{$seed} {$ph}");
                $smp = SmpBuffer::rate(SoilAcidity::near($ph, BufferOfGround::smp($ground, $ph)), 6.5)->tonsPerAcre;
                if (BufferOfGround::smp($ground, $ph) < 6.79) {
                    self::assertEqualsWithDelta($needed, $pure(LimeSchool::Smp, $smp), 1e-6, "{$seed} {$ph}");
                }
            }
        }
    }

    public function test_soil_that_needs_none_shows_no_acidity(): void
    {
        $ground = PracticeGround::made(3, PracticeLevel::named('usual'));
        self::assertGreaterThanOrEqual(6.6, BufferOfGround::mehlich($ground, 6.5));
        self::assertGreaterThan(6.8, BufferOfGround::smp($ground, 7.2));
        self::assertSame(0.0, MehlichBuffer::rate(SoilAcidity::near(7.0, BufferOfGround::mehlich($ground, 7.0)), 6.5)->tonsPerAcre);
    }
}
