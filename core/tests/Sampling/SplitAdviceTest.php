<?php

declare(strict_types=1);

namespace HonestCore\Tests\Sampling;

use HonestCore\Error\CoreError;
use HonestCore\Sampling\AreaFacts;
use HonestCore\Sampling\SplitAdvice;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

/** Common practice: what must be sampled apart. */
#[CoversClass(AreaFacts::class)]
final class SplitAdviceTest extends TestCase
{
    public function test_a_slope_carries_five_acres_and_level_ground_twenty(): void
    {
        self::assertSame([], SplitAdvice::within(AreaFacts::of(['slopes' => ['level']]), 19));
        self::assertStringContainsString(
            'not stand for more than 20',
            SplitAdvice::within(AreaFacts::of(['slopes' => ['level']]), 21)[0],
        );
        self::assertStringContainsString(
            'not stand for more than 5',
            SplitAdvice::within(AreaFacts::of(['slopes' => ['side']]), 6)[0],
        );
        self::assertSame(
            [[], [], []],
            [
                SplitAdvice::within(AreaFacts::of(['slopes' => ['level']]), 20),
                SplitAdvice::within(AreaFacts::of(['slopes' => ['side']]), 5),
                SplitAdvice::within(AreaFacts::of([]), 20),
            ],
            'the most is still allowed',
        );
        self::assertSame([], SplitAdvice::within(AreaFacts::of([]), 12), 'what is not known is no reason');
        self::assertNotSame([], SplitAdvice::within(AreaFacts::of([]), 30), 'but no ground carries 30 acres');
    }

    public function test_mixed_ground_and_half_limed_ground_are_named(): void
    {
        $reasons = implode(
            ' ',
            SplitAdvice::within(
                AreaFacts::of([
                    'slopes' => ['top', 'foot'],
                    'textures' => ['sand', 'clay'],
                    'surfaces' => ['ground', 'raised'],
                    'events' => [['kind' => 'lime', 'on' => '2024-05', 'part' => true, 'note' => '']],
                ]),
                3,
            ),
        );

        foreach (
            [
                'top of a slope and foot of a slope',
                'sandy and clayey',
                'different soils',
                'Only part of it got lime in 2024',
            ] as $words
        ) {
            self::assertStringContainsString($words, $reasons);
        }
    }

    public function test_two_areas_share_only_what_they_have_in_common(): void
    {
        $plain = AreaFacts::of(['slopes' => ['level']]);
        $limed = AreaFacts::of([
            'slopes' => ['level'],
            'events' => [['kind' => 'lime', 'on' => '2023', 'part' => false, 'note' => '']],
            'old_paint' => true,
        ]);

        self::assertSame([], SplitAdvice::between($plain, 'pasture', $plain, 'pasture'));
        self::assertStringContainsString(
            'no one answer fits both',
            implode(' ', SplitAdvice::between($plain, 'vegetables', $plain, 'blueberry')),
        );
        self::assertStringContainsString(
            'The uses differ',
            implode(' ', SplitAdvice::between($plain, 'vegetables', $plain, 'lawn')),
        );
        $reasons = implode(' ', SplitAdvice::between($plain, 'pasture', $limed, 'pasture'));
        self::assertStringContainsString('Only one of them got lime in 2023', $reasons);
        self::assertStringContainsString('old paint', $reasons);
    }

    public function test_facts_are_checked_and_come_back_in_order(): void
    {
        self::assertSame(['top', 'foot'], AreaFacts::of(['slopes' => ['foot', 'top', 'foot']])->slopes);
        self::assertSame(AreaFacts::of([])->toArray(), AreaFacts::of(AreaFacts::of([])->toArray())->toArray());
        foreach (
            [
                ['slopes' => ['steep']],
                ['events' => [['kind' => 'gold', 'on' => '2020']]],
                ['events' => [['kind' => 'lime', 'on' => '20']]],
                ['events' => [['kind' => 'lime', 'on' => '2024-13']]],
                ['events' => [['kind' => 'lime', 'on' => '2023-02-29']]],
                ['events' => [['kind' => 'lime', 'on' => 'last spring']]],
                ['events' => [['kind' => 'lime', 'year' => 2024]]],
            ] as $facts
        ) {
            try {
                AreaFacts::of($facts);
                self::fail('It was accepted.');
            } catch (CoreError $error) {
                self::assertNotSame('', $error->getMessage());
            }
        }
    }
}
