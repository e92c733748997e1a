<?php

declare(strict_types=1);

namespace HonestCore\Tests\Agronomy;

use HonestCore\Agreement\Verdict;
use HonestCore\Agronomy\Crop;
use HonestCore\Agronomy\Lime\KitDirection;
use HonestCore\Agronomy\Lime\LabPh;
use HonestCore\Agronomy\Lime\LimeAdvice;
use HonestCore\Agronomy\Lime\LimeGround;
use HonestCore\Agronomy\Lime\LimeMaterial;
use HonestCore\Agronomy\Lime\SchoolRate;
use HonestCore\Agronomy\Lime\WorkingStep;
use HonestCore\Quantity\DepthLayer;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What may be said of lime, and from what. The rule is the product's own. */
#[CoversClass(KitDirection::class)]
#[CoversClass(LabPh::class)]
#[CoversClass(LimeGround::class)]
#[CoversClass(SchoolRate::class)]
#[CoversClass(WorkingStep::class)]
final class LimeAdviceTest extends TestCase
{
    public function test_a_lab_with_both_buffers_gives_two_amounts(): void
    {
        $advice = $this->advise(LabPh::of(5.6, 0.12, ['mehlich' => 6.1, 'smp' => 6.5]), null);

        self::assertSame('amount', $advice->kind);
        self::assertEqualsWithDelta(
            [(3.8 * 6) / 8, (1.8 * 6) / 8],
            array_map(static fn (SchoolRate $rate): ?float => $rate->tons, $advice->rates),
            1e-9,
        );
        self::assertNotSame([], $advice->cautions);
        self::assertStringContainsString('differ by more than a quarter', implode(' ', $advice->notes));
    }

    public function test_one_schools_buffer_never_feeds_the_other(): void
    {
        $advice = $this->advise(LabPh::of(5.6, 0.12, ['smp' => 6.5]), null);

        self::assertNotNull($advice->rates[0]->tons);
        self::assertNull($advice->rates[1]->tons);
        self::assertStringContainsString('cannot stand in', implode(' ', $advice->rates[1]->reasons));
    }

    public function test_a_lab_without_a_buffer_gives_whether_and_not_how_much(): void
    {
        $advice = $this->advise(LabPh::of(5.6, 0.12, []), null);

        self::assertSame('direction', $advice->kind);
        self::assertStringContainsString('buffer pH', implode(' ', $advice->next));
    }

    public function test_too_close_to_call(): void
    {
        $advice = $this->advise(LabPh::of(5.95, 0.12, ['mehlich' => 6.4, 'smp' => 6.7]), null);

        self::assertStringContainsString('Too close to call', implode(' ', $advice->notes));
        self::assertStringContainsString('second composite', implode(' ', $advice->next));
        self::assertStringNotContainsString(
            'Too close',
            implode(' ', $this->advise(LabPh::of(5.6, 0.12, ['mehlich' => 6.1, 'smp' => 6.5]), null)->notes),
        );
        self::assertStringNotContainsString(
            'Too close',
            implode(' ', $this->advise(LabPh::of(5.95, null, ['mehlich' => 6.4, 'smp' => 6.7]), null)->notes),
            'the lab has not said how sure it is',
        );
        self::assertTrue(
            LabPh::of(5.88, 0.12, [])->isTooCloseTo(6.0),
            'its end lies on the limit, which belongs to the class above',
        );
        self::assertFalse(LabPh::of(6.12, 0.12, [])->isTooCloseTo(6.0), 'its start lies there');
        self::assertFalse(LabPh::of(5.879, 0.12, [])->isTooCloseTo(6.0));
    }

    public function test_enough_and_too_much(): void
    {
        self::assertSame('leave', $this->advise(LabPh::of(6.4, 0.12, []), null)->kind);
        $high = $this->advise(LabPh::of(7.8, 0.12, []), null);
        self::assertSame('too_high', $high->kind);
        self::assertStringContainsString('fizz', implode(' ', $high->next));
    }

    /**
     * Common practice: a kit reads 5.5 where the lab finds 6.1, and a crop that wants 4.0-5.5 would have been planted.
     */
    public function test_the_berry_that_would_have_been_planted(): void
    {
        $advice = LimeAdvice::from(
            LabPh::of(6.1, 0.12, ['mehlich' => 6.38, 'smp' => 6.8]),
            self::kit('5.5', 5.5, 'leave', Verdict::Stands),
            Crop::of('blueberry'),
            new LimeGround(DepthLayer::ofInches(0, 6), 6),
            LimeMaterial::reference(),
        );

        self::assertSame('too_high', $advice->kind, 'the lab goes before the kit');
    }

    /**
     * Mehlich at the target of 6.6 is (6.6 − B) / 0.25: what goes on at once, and what is split, turn between two
     * buffers.
     */
    public function test_a_rate_is_split_past_what_goes_on_at_once_and_schools_are_told_apart_past_a_quarter(): void
    {
        $words = fn (float $mehlich, ?float $smp): string => implode(
            ' ',
            $this->advise(LabPh::of(5.0, null, ['mehlich' => $mehlich, 'smp' => $smp]), null)->notes,
        );
        $tons = fn (float $mehlich): float => max(
            0.0,
            ...array_map(
                static fn (SchoolRate $rate): float => $rate->tons ?? 0.0,
                $this->advise(LabPh::of(5.0, null, ['mehlich' => $mehlich]), null)->rates,
            ),
        );
        // pH 5.0 is 1.5 units below the target: one unit a dressing is two thirds of any rate, so that each is split.
        self::assertStringContainsString('should not go on at once', $words(6.4, null));
        self::assertStringNotContainsString(
            'should not go on at once',
            implode(' ', $this->advise(LabPh::of(5.6, null, ['mehlich' => 6.1]), null)->notes),
            '0.9 of a unit goes on at once',
        );
        self::assertStringContainsString(
            'should not go on at once',
            implode(' ', $this->advise(LabPh::of(5.6, null, ['mehlich' => 5.0]), null)->notes),
            'more than four tons',
        );
        self::assertGreaterThan(4.0, $tons(5.0));
        self::assertStringNotContainsString('schools differ', $words(6.0, null), 'one school differs from none');
        self::assertStringContainsString('schools differ', $words(6.5, 6.0));
    }

    public function test_a_large_rate_is_split(): void
    {
        self::assertStringContainsString(
            'test again, then the rest',
            implode(' ', $this->advise(LabPh::of(4.6, 0.12, ['mehlich' => 5.4, 'smp' => 5.2]), null)->notes),
        );
    }

    public function test_a_kit_whose_sort_stands_gives_a_direction_and_never_an_amount(): void
    {
        foreach (['lime', 'leave', 'too high'] as $action) {
            $advice = $this->advise(null, self::kit('5.5', 5.5, $action, Verdict::Stands));
            self::assertSame('direction', $advice->kind);
            self::assertSame([], $advice->rates);
            self::assertNotSame([], $advice->next);
        }
    }

    /** @return iterable<string, array{KitDirection, string}> */
    public static function unheard(): iterable
    {
        yield 'not signed' => [self::kit('5.5', 5.5, 'lime', null), 'no verdict on its sort claim has been signed'];
        foreach ([Verdict::Open, Verdict::Falls, Verdict::Untested, Verdict::Unable] as $verdict) {
            yield $verdict->value => [self::kit('5.5', 5.5, 'lime', $verdict), "signed as \"{$verdict->value}\""];
        }
        yield 'outside the readings it rests on' => [self::kit('4.5', 4.5, 'lime', Verdict::Stands), 'lies outside'];
        yield 'cannot sort' => [self::kit('rest', 5.5, null, Verdict::Stands), 'cannot sort'];
    }

    #[DataProvider('unheard')]
    public function test_a_kit_that_has_not_earned_it_is_not_heard(KitDirection $kit, string $why): void
    {
        $advice = $this->advise(null, $kit);

        self::assertSame('none', $advice->kind);
        self::assertStringContainsString($why, $advice->answer);
        self::assertNotSame([], $advice->next);
    }

    public function test_nothing_measured_says_what_to_do_first(): void
    {
        $advice = $this->advise(null, null);

        self::assertSame('none', $advice->kind);
        self::assertStringContainsString('Pull a composite', implode(' ', $advice->next));
    }

    public function test_a_verdict_that_was_not_asked_and_a_reading_too_close_to_call_give_no_direction(): void
    {
        $stands = static fn (string $silent, string $close): KitDirection => new KitDirection(
            'capsule kit', '5.5', 5.5, 'lime', Verdict::Stands, 5.0, 7.5, $silent, $close,
        );

        self::assertTrue($stands('', '')->counts());
        foreach (
            [
                [$stands('lot K-9', ''), 'the verdict on its sort claim was not asked for lot K-9'],
                [$stands('', 'the lab would have found 5.2 to 6.3'), 'is too close to call: the lab would have found 5.2 to 6.3'],
            ] as [$kit, $words]
        ) {
            self::assertFalse($kit->counts());
            $advice = $this->advise(null, $kit);
            self::assertSame('none', $advice->kind);
            self::assertStringContainsString($words, $advice->answer);
        }
    }

    private static function kit(string $band, float $middle, ?string $action, ?Verdict $signed): KitDirection
    {
        return new KitDirection('capsule kit', $band, $middle, $action, $signed, 5.0, 7.5);
    }

    private function advise(?LabPh $lab, ?KitDirection $kit): LimeAdvice
    {
        return LimeAdvice::from(
            $lab,
            $kit,
            Crop::of('pasture'),
            new LimeGround(DepthLayer::ofInches(0, 6), 6),
            LimeMaterial::reference(),
        );
    }
}
