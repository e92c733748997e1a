<?php

declare(strict_types=1);

namespace HonestCore\Tests\Practice;

use HonestCore\Error\ValueOutOfRange;
use HonestCore\Practice\PracticeLevel;
use PHPUnit\Framework\TestCase;

final class PracticeLevelTest extends TestCase
{
    public function test_levels_go_from_gentle_to_hard_in_all_that_they_state(): void
    {
        self::assertSame(['gentle', 'usual', 'hard'], PracticeLevel::names());
        $levels = array_map(PracticeLevel::named(...), PracticeLevel::names());
        foreach ([[0, 1], [1, 2]] as [$easier, $harder]) {
            foreach ($levels[0]->analytes() as $analyte) {
                self::assertLessThan($levels[$harder]->of('sd', $analyte), $levels[$easier]->of('sd', $analyte));
                self::assertLessThan($levels[$harder]->of('core_sd', $analyte), $levels[$easier]->of('core_sd', $analyte));
            }
            foreach (['bias', 'lot', 'reader', 'session', 'repeat', 'broken', 'breaks'] as $error) {
                self::assertLessThan($levels[$harder]->ofTool('kit', $error), $levels[$easier]->ofTool('kit', $error), $error);
            }
            self::assertGreaterThan($levels[$harder]->figure('range_m'), $levels[$easier]->figure('range_m'));
        }
    }

    public function test_analytes_stand_where_their_figures_do(): void
    {
        $level = PracticeLevel::named('usual');
        self::assertSame(0.35, $level->of('sd', 'ph'));
        self::assertSame(2, $level->place('k'));
        self::assertSame([false, true], [$level->isLogarithmic('ph'), $level->isLogarithmic('pb')]);
        foreach ($level->correlation() as $i => $row) {
            self::assertSame(1.0, $row[$i]);
            foreach ($row as $j => $value) {
                self::assertSame($value, $level->correlation()[$j][$i]);
            }
        }
    }

    public function test_what_is_not_there_is_refused(): void
    {
        $asked = [static fn () => PracticeLevel::named('impossible'), static fn () => PracticeLevel::named('usual')->place('gold')];
        foreach ($asked as $ask) {
            try {
                $ask();
                self::fail('It was taken.');
            } catch (ValueOutOfRange $refused) {
                self::assertMatchesRegularExpression('/gentle|ph, p/', $refused->forPeople());
            }
        }
    }
}
