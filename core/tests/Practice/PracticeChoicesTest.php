<?php

declare(strict_types=1);

namespace HonestCore\Tests\Practice;

use HonestCore\Error\ValueOutOfRange;
use HonestCore\Practice\PracticeChoices;
use HonestCore\Practice\PracticeGround;
use HonestCore\Practice\PracticeLevel;
use HonestCore\Quantity\DepthLayer;
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

    public function test_what_was_chosen_is_told_from_what_was_pulled(): void
    {
        $ground = PracticeGround::made(5, PracticeLevel::named('usual'));
        $line = $ground->features()['line_m'];

        $west = self::pulled(0, $line);
        $east = self::pulled($line, 200);

        self::assertEquals(PracticeChoices::careful(), PracticeChoices::made($ground, [$west, $east], true));
        self::assertFalse(PracticeChoices::made($ground, [self::pulled(0, 200)], true)->apart);
        self::assertSame(3, PracticeChoices::made($ground, [$west, self::pulled($line, 200, cores: 3)], true)->cores);
        self::assertFalse(PracticeChoices::made($ground, [self::pulled(0, $line, north: 4.0)], true)->away, 'along the road');
        self::assertFalse(PracticeChoices::made($ground, [self::pulled(0, $line, layer: '0-2in')], true)->fullDepth);
        self::assertFalse(PracticeChoices::made($ground, [self::pulled(0, $line, layer: '6-12in')], true)->fullDepth);
        self::assertFalse(PracticeChoices::made($ground, [$west], false)->byLab);
    }

    /** @return array{places: non-empty-list<array{float, float}>, layer: DepthLayer} cores in a row from west to east */
    private static function pulled(float $from, float $to, float $north = 75.0, string $layer = '0-6in', int $cores = 20): array
    {
        $places = [[$from + (0.5 / $cores) * ($to - $from), $north]];
        for ($i = 1; $i < $cores; $i++) {
            $places[] = [$from + (($i + 0.5) / $cores) * ($to - $from), $north];
        }

        return ['places' => $places, 'layer' => DepthLayer::parse($layer)];
    }
}
